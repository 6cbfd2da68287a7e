import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { useLiveStore } from './live.ts'

/** Whether tools have their names beside them: as it was chosen here, else while the channel has its first box. */
export const useToolNamesStore = defineStore('toolNames', () => {
  const live = useLiveStore()
  const chosen = useLocalStorage<'shown' | 'hidden' | ''>('thundercrest.toolNames', '')
  const areShown = computed(() => {
    if (chosen.value) return chosen.value === 'shown'
    return (live.live?.ridge.boxes.count ?? 2) <= 1
  })
  return {
    areShown,
    toggle: () => (chosen.value = areShown.value ? 'hidden' : 'shown'),
  }
})
