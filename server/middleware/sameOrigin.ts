import { defineEventHandler, getHeader, getRequestHost } from 'h3'
import { problemError } from '../system/problemError.ts'

/** Routes whose callers prove themselves by a signature or a key, not by a cookie. */
const signedRoutes = [
  /^\/api\/feeds\/[^/]+\/(deliveries|payments)$/,
  /^\/api\/events$/,
  /^\/api\/feeds\/links\/heard$/,
  /^\/stand-ins\/[^/]+\/(token|subscriptions)$/,
]

/**
 * Refuses writes that another site's page sends with a member's cookie. Browsers name the page's origin on every write;
 * a program that is not a browser names none, and carries no stranger's cookie either.
 */
export default defineEventHandler((event) => {
  if (['GET', 'HEAD', 'OPTIONS'].includes(event.method)) return
  if (signedRoutes.some((route) => route.test(event.path.split('?')[0] ?? ''))) return
  const origin = getHeader(event, 'origin')
  const site = getHeader(event, 'sec-fetch-site')
  const isForeign = origin
    ? hostOf(origin) !== getRequestHost(event)
    : site !== undefined && site !== 'same-origin' && site !== 'none'
  if (isForeign)
    throw problemError(403, 'This write came from another site and was refused. Use Thundercrest from its own address.')
})

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host
  } catch {
    return null
  }
}
