/** The pages of the application, as `app/pages` has them. */
const pages = [
  '',
  'account',
  'after',
  'boards',
  'boards/[^/]+',
  'boxes',
  'boxes/new',
  'boxes/[^/]+',
  'channel',
  'desk',
  'feeds',
  'join/[^/]+',
  'keeping',
  'keys',
  'list/[^/]+',
  'media',
  'password/[^/]+',
  'people',
  'policy',
  'goals',
  'history',
  'history/viewer',
  'rates',
  'rehearsal',
  'rehearsal/check',
  'rehearsal/proofs',
  'sign-in',
  'speech',
  'sponsors',
  'stand-ins/chat/[^/]+',
  'tip/[^/]+',
  'tip/[^/]+/[^/]+',
  'tips',
  'trail',
  'triggers',
  'triggers/points',
  'triggers/redemptions',
  'triggers/studio',
  'welcome',
]
const page = new RegExp(`^/(?:${pages.join('|')})/?$`)

/** Whether there is a page of the application at an address. */
export function isPage(path: string): boolean {
  return page.test(path.split('?')[0] ?? '')
}

/** Addresses that only routes of the server answer; what none of them answers is nothing. */
const routes =
  /^\/(?:api|source|board|go|media|speech|emotes|stand-ins|studio|schemas|_nuxt|player|workers|fonts)(?:\/|$)|^\/(?:healthz|readyz|metrics|openapi\.json)$|\.[a-z0-9]{1,8}$/

export function isRoute(path: string): boolean {
  return routes.test(path) && !isPage(path)
}
