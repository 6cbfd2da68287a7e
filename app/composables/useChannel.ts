import { computed } from 'vue'
import type { DecisionChannel } from '../../core/decisions/decide.ts'
import { useSessionStore } from '../stores/session.ts'

/** How the channel writes numbers and tells the time; the rates of other currencies are the server's business. */
export function useChannel() {
  const session = useSessionStore()
  return computed<DecisionChannel>(() => {
    const { locale = 'en', currency = 'EUR', timeZone = 'UTC' } = session.session?.channel ?? {}
    return { locale, currency, timeZone, rates: {} }
  })
}
