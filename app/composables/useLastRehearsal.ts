import { useLocalStorage } from '@vueuse/core'

/** What the newest rehearsal in this browser came to. */
const last = useLocalStorage<{ worstMs: number } | null>('thundercrest.rehearsed', null, {
  serializer: { read: (text) => JSON.parse(text) as { worstMs: number } | null, write: JSON.stringify },
})

export const useLastRehearsal = () => last
