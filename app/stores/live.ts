import { useEventSource } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import type { ChannelLive } from '../../contract/channelLive.ts'
import type { DeskView } from '../../contract/views.ts'

/** What happens in the channel right now, pushed by the server. */
export const useLiveStore = defineStore('live', () => {
  const { data, status, open, close } = useEventSource('/api/channel/live', [], {
    immediate: false,
    autoReconnect: { retries: -1, delay: 1500 },
  })
  const live = ref<ChannelLive | null>(null)
  const serverAheadMs = ref(0)

  watch(data, (text) => {
    if (!text) return
    live.value = JSON.parse(text) as ChannelLive
    serverAheadMs.value = live.value.serverNowMs - Date.now()
  })

  return {
    live,
    isConnected: computed(() => status.value === 'OPEN'),
    /** Server time minus this machine's, in milliseconds. */
    serverAheadMs,
    open,
    close,
    deskOf: (boxId: string): DeskView | null => live.value?.desks.find((desk) => desk.boxId === boxId) ?? null,
  }
})
