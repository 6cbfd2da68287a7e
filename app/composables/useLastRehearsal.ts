import { StorageSerializers, useLocalStorage } from '@vueuse/core'

/** What the newest rehearsal in this browser came to. */
const last = useLocalStorage<{ worstMs: number } | null>('thundercrest.rehearsed', null, {
  serializer: StorageSerializers.object,
})

export const useLastRehearsal = () => last
