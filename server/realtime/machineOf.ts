import { createHash, randomBytes } from 'node:crypto'

// New with each start: what is compared lives no longer than the connections.
const salt = randomBytes(16)

/**
 * Names the machine behind a network address without telling it, so that a person's page can see whether a source runs
 * beside it. Behind a proxy all share the proxy's; then nothing can be told, and the name is empty.
 */
export function machineOf(address: string | undefined, isProxied: boolean): string {
  if (!address || isProxied) return ''
  const plain = address.replace(/^::ffff:/, '')
  const isLoopback = plain === '::1' || plain.startsWith('127.')
  return createHash('sha256')
    .update(salt)
    .update(isLoopback ? 'loopback' : plain)
    .digest('hex')
    .slice(0, 12)
}
