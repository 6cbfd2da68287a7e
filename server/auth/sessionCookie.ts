import { createHash } from 'node:crypto'
import { deleteCookie, getCookie, getRequestProtocol, setCookie, type H3Event } from 'h3'
import { defaults, seal, unseal } from 'iron-webcrypto'

const cookieName = 'thundercrest_session'
// The library's own type of Web Crypto is older than the one of the platform; the object is the same.
const webCrypto = globalThis.crypto as unknown as Parameters<typeof seal>[0]
export const sessionLastsMs = 14 * 24 * 3600 * 1000

/** What the session table is keyed by: the cookie holds the key, the table only its hash. */
export function sessionIdOf(key: string): string {
  return createHash('sha256').update(key).digest('base64url')
}

/** Seals a session key into the cookie: encrypted, signed, out of reach of scripts and of other sites. */
export async function writeSessionCookie(event: H3Event, key: string, secret: string): Promise<void> {
  const sealed = await seal(webCrypto, key, secret, { ...defaults, ttl: sessionLastsMs })
  setCookie(event, cookieName, sealed, {
    httpOnly: true,
    sameSite: 'lax',
    secure: getRequestProtocol(event) === 'https',
    path: '/',
    maxAge: sessionLastsMs / 1000,
  })
}

/** The session key in the cookie; null when there is none, or one that was not sealed here. */
export async function readSessionCookie(event: H3Event, secret: string): Promise<string | null> {
  const sealed = getCookie(event, cookieName)
  if (!sealed || sealed.length > 2000) return null
  try {
    const key = await unseal(webCrypto, sealed, secret, { ...defaults, ttl: sessionLastsMs })
    return typeof key === 'string' ? key : null
  } catch {
    return null
  }
}

export function clearSessionCookie(event: H3Event): void {
  deleteCookie(event, cookieName, { path: '/' })
}
