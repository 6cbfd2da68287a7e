import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import type { ChannelLive } from '../../contract/channelLive.ts'
import type { DeskView, SourceView } from '../../contract/views.ts'
import { LiveFollower } from '../live/liveFollower.ts'
import { shareStream } from '../live/sharedStream.ts'
import { useSessionStore } from './session.ts'

/** What happens in the channel right now, pushed by the server: once for all tabs of this browser. */
export const useLiveStore = defineStore('live', () => {
  const session = useSessionStore()
  /** Never changed, only replaced: what did not change is the very same object. */
  const live = shallowRef<ChannelLive | null>(null)
  const isConnected = ref(false)
  const serverAheadMs = ref(0)
  let stop: (() => void) | null = null
  let isOpen = false

  function take(follower: LiveFollower, text: string): boolean {
    const heard = follower.take(text)
    if (!heard) return false
    live.value = heard
    serverAheadMs.value = follower.aheadMs
    return true
  }

  function listen(): void {
    stop?.()
    stop = null
    const channelId = session.session?.channel.id
    if (!isOpen || channelId === undefined) return
    const follower = new LiveFollower()
    stop = shareStream(`thundercrest.live.${channelId}`, '/api/channel/live', {
      onText: (text) => take(follower, text),
      onState: (now) => (isConnected.value = now),
      whole: () => follower.whole(),
    })
  }
  // Another person may have signed in on this page: tabs share only what both may hear.
  watch(() => session.session?.channel.id, listen)

  return {
    live,
    isConnected,
    /** Server time minus this machine's, in milliseconds. */
    serverAheadMs,
    open(): void {
      isOpen = true
      listen()
    },
    close(): void {
      isOpen = false
      listen()
    },
    /** Who shows a box, or a board. */
    sourcesOf: (boxId: string): readonly SourceView[] =>
      live.value?.desks.find((desk) => desk.boxId === boxId)?.sources ??
      live.value?.boards.find(({ boardId }) => boardId === boxId)?.sources ??
      [],
    deskOf: (boxId: string): DeskView | null => live.value?.desks.find((desk) => desk.boxId === boxId) ?? null,
  }
})
