import { useLocalStorage } from '@vueuse/core'
import { watchEffect } from 'vue'

export type Scheme = 'night' | 'daybreak'
const scheme = useLocalStorage<Scheme>('thundercrest.scheme', 'night')

/** The colour scheme of the frame: night for dark rooms, daybreak for bright ones. */
export function useScheme() {
  watchEffect(() => {
    document.documentElement.dataset.scheme = scheme.value
  })
  return { scheme, toggleScheme: () => (scheme.value = scheme.value === 'night' ? 'daybreak' : 'night') }
}
