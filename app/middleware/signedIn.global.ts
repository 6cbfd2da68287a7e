import { defineNuxtRouteMiddleware, navigateTo } from '#imports'
import { firstPageOf, useSessionStore } from '../stores/session.ts'

/** Pages that are for nobody who is signed in. */
const doors: ReadonlySet<string> = new Set(['/', '/sign-in', '/welcome'])

/** What whoever has only the desk sees. */
const deskPages: ReadonlySet<string> = new Set(['/desk', '/account'])

/** Nobody sees a working screen without being signed in; a server without accounts begins with the welcome. */
/** Pages for anybody: viewers are nobody's members. */
const open = /^\/(?:join|list|password|stand-ins|tip)\//

export default defineNuxtRouteMiddleware(async (to) => {
  if (open.test(to.path)) return undefined
  const store = useSessionStore()
  await store.ensureLoaded()
  if (store.session) {
    const isElsewhere = doors.has(to.path) || (store.isDeskOnly && !deskPages.has(to.path))
    return isElsewhere ? navigateTo(firstPageOf(store.session.role)) : undefined
  }
  const door = store.needsWelcome ? '/welcome' : '/sign-in'
  return to.path === door
    ? undefined
    : navigateTo({
        path: door,
        query: doors.has(to.path) ? {} : { to: to.fullPath },
      })
})
