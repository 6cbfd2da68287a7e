import { isIP } from 'node:net'

export interface HostRules {
  /** Names under which this server is reached, besides addresses in figures and the machine itself. */
  names: ReadonlySet<string>
}

/** The name in a `Host` header, without its port; null for what is none. */
export function hostName(header: string | undefined): string | null {
  if (!header || header.length > 300) return null
  const name = /^(\[[0-9a-f:.]+\]|[a-z0-9._-]+)(?::\d{1,5})?$/i.exec(header.trim())?.[1]
  return name
    ? name
        .replace(/^\[|\]$/g, '')
        .replace(/\.$/, '')
        .toLowerCase()
    : null
}

/** Whether a name is the machine itself. */
export function isLoopbackName(name: string): boolean {
  return name === 'localhost' || name.endsWith('.localhost') || name === '::1' || /^127(?:\.\d{1,3}){3}$/.test(name)
}

/**
 * Whether a request is meant for this server. A page of a stranger can have its own name lead to this machine (DNS
 * rebinding), and its scripts would then read what is here as if it were theirs; but the browser still sends that name.
 * An address in figures cannot be made to lead elsewhere.
 */
export function isKnownHost(header: string | undefined, { names }: HostRules): boolean {
  const name = hostName(header)
  return name !== null && (isIP(name) !== 0 || isLoopbackName(name) || names.has(name))
}
