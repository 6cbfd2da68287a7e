import { defineEventHandler, setResponseStatus } from 'h3'
import { callerOf } from '../http/caller.ts'
import { hostRules } from '../http/hostRules.ts'
import { isKnownHost } from '../http/knownHost.ts'
import { isPage, isRoute } from '../http/pages.ts'
import { useStandIns } from '../standIns/port.ts'
import { problemError } from '../system/problemError.ts'

/** Routes that answer HEAD themselves, or that never end. */
const ownHead = /^\/api\/(?:channel\/uploads|packs\/uploads)(?:\/|$)/
const endless = /^\/api\/channel\/live$/

/** What every request passes first: whom it is meant for, whom it comes from, and whether there is such an address. */
export default defineEventHandler(async (event) => {
  if (!isKnownHost(event.node.req.headers.host, hostRules()) && !import.meta.dev)
    throw problemError(
      421,
      'This server is not known under that name. Use its own address; whoever runs it can name others in THUNDERCREST_ADDRESSES.',
    )
  callerOf(event)
  const path = event.path.split('?')[0] ?? '/'
  const method = event.method
  if (method === 'HEAD' && !ownHead.test(path)) {
    if (endless.test(path)) throw problemError(405, 'This stream is only there to be read. Use GET.')
    // Answered as GET is, without its body: the program below leaves that out by itself.
    event._method = 'GET'
  }
  if (path.startsWith('/stand-ins/') && !(await (await useStandIns()).standInsAnswer()))
    throw problemError(404, 'Simulated platforms are switched off on this server.')
  if (import.meta.dev) return
  // The application says so itself, in its own words.
  if (event.method === 'GET' && !isPage(path) && !isRoute(path)) setResponseStatus(event, 404)
})
