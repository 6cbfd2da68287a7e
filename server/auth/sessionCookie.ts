import { createHash } from 'node:crypto'
import { deleteCookie, getCookie, getRequestProtocol, setCookie, type H3Event } from 'h3'
import { defaults, seal, unseal } from 'iron-webcrypto'

const plainName = 'thundercrest_session'
// The library's own type of Web Crypto is older than the one of the platform; the object is the same.
const webCrypto = globalThis.crypto as unknown as Parameters<typeof seal>[0]
export const sessionLastsMs = 14 * 24 * 3600 * 1000

/**
 * What this server calls its cookie. Browsers share cookies between all ports of a host: a name of each server's own
 * keeps two of them from signing each other out.
 */
export function cookieNameOf(secret: string): string {
  return `${plainName}_${createHash('sha256').update(`cookie ${secret}`).digest('hex').slice(0, 10)}`
}

/** What the session table is keyed by: the cookie holds the key, the table only its hash. */
export function sessionIdOf(key: string): string {
  return createHash('sha256').update(key).digest('base64url')
}

/** What a value is sealed with. */
export function sealing(value: unknown, secret: string, lastsMs: number): Parameters<typeof seal> {
  return [webCrypto, value, secret, { ...defaults, ttl: lastsMs }]
}

/** What a cookie seals; null where there is none, or one that was not sealed here. */
export async function readSealed(event: H3Event, name: string, secret: string, lastsMs: number): Promise<unknown> {
  const sealed = getCookie(event, name)
  if (!sealed || sealed.length > 2000) return null
  try {
    return await unseal(webCrypto, sealed, secret, { ...defaults, ttl: lastsMs })
  } catch {
    return null
  }
}

/** Seals a session key into the cookie: encrypted, signed, out of reach of scripts and of other sites. */
export async function writeSessionCookie(event: H3Event, key: string, secret: string): Promise<void> {
  const sealed = await seal(...sealing(key, secret, sessionLastsMs))
  setCookie(event, cookieNameOf(secret), sealed, {
    httpOnly: true,
    sameSite: 'lax',
    secure: getRequestProtocol(event) === 'https',
    path: '/',
    maxAge: sessionLastsMs / 1000,
  })
}

/** The session key in the cookie; null when there is none, or one that was not sealed here. */
export async function readSessionCookie(event: H3Event, secret: string): Promise<string | null> {
  // Whoever signed in before cookies had names of their own stays signed in.
  return (await keyIn(event, cookieNameOf(secret), secret)) ?? keyIn(event, plainName, secret)
}

async function keyIn(event: H3Event, name: string, secret: string): Promise<string | null> {
  const key = await readSealed(event, name, secret, sessionLastsMs)
  return typeof key === 'string' ? key : null
}

/** Takes this server's cookie back; that of another one on the same host is left alone. */
export async function clearSessionCookie(event: H3Event, secret: string): Promise<void> {
  if (await keyIn(event, plainName, secret)) deleteCookie(event, plainName, { path: '/' })
  deleteCookie(event, cookieNameOf(secret), { path: '/' })
}
