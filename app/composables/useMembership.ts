import { navigateTo } from '#imports'
import { watch } from 'vue'
import { toast } from 'vue-sonner'
import { roleName } from '../../contract/people.ts'
import { useLiveStore } from '../stores/live.ts'
import { useSessionStore } from '../stores/session.ts'

/**
 * Follows what the signed-in person may do: whoever is given another role, or taken out, is told on every page that is open. What
 * the server tells of the channel ends with each such change, and that is when it is asked.
 */
export function useMembership(): void {
  const session = useSessionStore()
  const live = useLiveStore()
  let wasConnected = live.isConnected
  watch(
    () => live.isConnected,
    async (isConnected) => {
      const before = session.session
      const isFirst = !wasConnected
      wasConnected ||= isConnected
      // The first connection is no news.
      if (isFirst || !before) return
      try {
        await session.load()
      } catch {
        // The server is away: it is asked again when it is back.
        return
      }
      const now = session.session
      if (!now) {
        toast.error('You are signed out: your session ended, or you belong to the channel no more.')
        await navigateTo('/sign-in')
      } else if (now.channel.id !== before.channel.id) location.assign('/')
      else if (now.role !== before.role) {
        toast(`You are ${roleName(now.role)} of ${now.channel.name} now.`)
        // What they do not see any more is left.
        if (session.isDeskOnly) await navigateTo('/desk')
      }
    },
  )
}
