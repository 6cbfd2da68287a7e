import { getRequestProtocol, setCookie, type H3Event } from 'h3'
import { seal } from 'iron-webcrypto'
import { newSecret } from '../system/ids.ts'
import { cookieNameOf, readSealed, sealing } from './sessionCookie.ts'

/** A browser in which somebody has signed in before. */
interface KnownBrowser {
  id: string
  personId: string
}

const knownForMs = 180 * 24 * 3600 * 1000
const nameOf = (secret: string) => `${cookieNameOf(secret)}_known`

/** Remembers in the browser that this person has signed in there: whoever locks their account out from elsewhere does not lock out them. */
export async function rememberBrowser(event: H3Event, personId: string, secret: string): Promise<void> {
  const browser: KnownBrowser = { id: newSecret().slice(0, 12), personId }
  setCookie(event, nameOf(secret), await seal(...sealing(browser, secret, knownForMs)), {
    httpOnly: true,
    sameSite: 'strict',
    secure: getRequestProtocol(event) === 'https',
    // It is shown where somebody signs in, and nowhere else.
    path: '/api/session',
    maxAge: knownForMs / 1000,
  })
}

/** The browser, where this very person has signed in there before. */
export async function knownBrowserOf(event: H3Event, personId: string, secret: string): Promise<string | null> {
  const found = (await readSealed(event, nameOf(secret), secret, knownForMs)) as Partial<KnownBrowser> | null
  return found?.personId === personId && typeof found.id === 'string' ? found.id : null
}
