import { getHeader, getRequestURL, setResponseHeader, type H3Event } from 'h3'
import * as z from 'zod'
import { accountOf, registeredClient } from '../../stand-ins/consent/grants.ts'
import { callbackPath } from '../feeds/linking.ts'
import { readBounded } from '../http/readBounded.ts'
import { problemError } from '../system/problemError.ts'
import { knownPlatform } from './knownPlatform.ts'

const authorisation = z.object({
  response_type: z.literal('code'),
  client_id: z.literal(registeredClient),
  redirect_uri: z.string().max(500),
  state: z.string().min(1).max(200),
  code_challenge: z.string().regex(/^[\w-]{43}$/),
  code_challenge_method: z.literal('S256'),
})

/**
 * What a program asked for, as far as it is allowed to.
 * @throws 400: what does not fit is never sent back to where it says
 */
export function checkedAuthorisation(
  event: H3Event,
  given: unknown,
): { platform: string; request: z.infer<typeof authorisation> } {
  const platform = knownPlatform(event)
  const checked = authorisation.safeParse(given)
  if (!checked.success || checked.data.redirect_uri !== getRequestURL(event).origin + callbackPath)
    throw problemError(400, 'This request for consent does not fit what is registered with the platform.')
  return { platform, request: checked.data }
}

const formMax = 16 * 1024

export async function readForm(event: H3Event): Promise<Partial<Record<string, string>>> {
  return Object.fromEntries(new URLSearchParams(await readBounded(event, formMax)))
}

/** A page of a simulated platform: styles of its own, nothing else, and forms that stay here. */
export function sendPage(event: H3Event, html: string): string {
  setResponseHeader(event, 'content-type', 'text/html; charset=utf-8')
  setResponseHeader(
    event,
    'content-security-policy',
    "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; base-uri 'none'",
  )
  setResponseHeader(event, 'cache-control', 'no-store')
  return html
}

/** Whose account the bearer's token is for. @throws 401 */
export function accountOfBearer(event: H3Event, platform: string): string {
  const account = accountOf(platform, /^Bearer (\S+)$/.exec(getHeader(event, 'authorization') ?? '')?.[1] ?? '')
  if (account === null) throw problemError(401, 'This token is not known here.')
  return account
}
