import { defineNuxtRouteMiddleware, navigateTo } from '#imports'
import { useSessionStore } from '../stores/session.ts'

/** Nobody sees a working screen without being signed in; a server without accounts begins with the welcome. */
export default defineNuxtRouteMiddleware(async (to) => {
  const store = useSessionStore()
  await store.ensureLoaded()
  if (store.session)
    return to.path === '/sign-in' || to.path === '/welcome' || to.path === '/' ? navigateTo('/boxes') : undefined
  const door = store.needsWelcome ? '/welcome' : '/sign-in'
  return to.path === door
    ? undefined
    : navigateTo({
        path: door,
        query: to.path === '/' || to.path === '/sign-in' || to.path === '/welcome' ? {} : { to: to.fullPath },
      })
})
