import { createHash } from 'node:crypto'
import { deleteCookie, getRequestProtocol, getRequestURL, setCookie, type H3Event } from 'h3'
import { seal } from 'iron-webcrypto'
import type { PasskeyView } from '../../contract/passkeys.ts'
import type { PasskeyRow } from '../db/queries/passkeys.ts'
import { problemError } from '../system/problemError.ts'
import { cookieNameOf, readSealed, sealing } from './sessionCookie.ts'

/*
 * Passkeys after WebAuthn (Level 3): the server asks a question that only the device's key can answer, for this very site. The
 * question stands in a sealed cookie meanwhile, so that it is asked of one browser, and for five minutes.
 */

const questionLastsMs = 5 * 60_000
const nameOf = (secret: string) => `${cookieNameOf(secret)}_passkey`

/** Who asks: the name of this site, as the browser has it. */
export function siteOf(event: H3Event): { rpID: string; origin: string } {
  const { hostname, host, protocol } = getRequestURL(event)
  return { rpID: hostname, origin: `${protocol}//${host}` }
}

/** Remembers in the browser what was asked. */
export async function keepQuestion(event: H3Event, challenge: string, secret: string): Promise<void> {
  setCookie(event, nameOf(secret), await seal(...sealing(challenge, secret, questionLastsMs)), {
    ...{ httpOnly: true, sameSite: 'strict', path: '/api/', maxAge: questionLastsMs / 1000 },
    secure: getRequestProtocol(event) === 'https',
  })
}

/** What was asked of this browser; it is answered once. @throws 409 where nothing was, or too long ago */
export async function takeQuestion(event: H3Event, secret: string): Promise<string> {
  const challenge = await readSealed(event, nameOf(secret), secret, questionLastsMs)
  deleteCookie(event, nameOf(secret), { path: '/api/' })
  if (typeof challenge !== 'string') throw problemError(409, 'This took longer than five minutes. Begin again.')
  return challenge
}

/** What pages call a passkey. */
export const passkeyIdOf = (id: string): string =>
  createHash('sha256').update(`passkey ${id}`).digest('hex').slice(0, 40)

export const passkeyView = ({ id, name, madeAt, usedAt }: PasskeyRow): PasskeyView => ({
  ...{ id: passkeyIdOf(id), name, madeAtMs: madeAt.getTime(), usedAtMs: usedAt?.getTime() ?? null },
})
