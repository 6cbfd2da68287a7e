import { computed } from 'vue'
import { lanternLook } from '../../core/look/lanternLook.ts'
import type { Look } from '../../core/look/schema.ts'
import { dressAt, dressOn, type Dress } from '../../core/look/seasons.ts'
import { calendarDay } from '../../core/time/localMoment.ts'
import { useDraftStore } from '../stores/draft.ts'
import { useRoomViewStore } from '../stores/roomView.ts'
import { useChannel } from './useChannel.ts'

/** What the score room shows alerts in: that of the chosen day, else the one that is being edited, else today's. */
export function useShownDress() {
  const draft = useDraftStore()
  const view = useRoomViewStore()
  const channel = useChannel()
  return computed<Dress>(() => {
    const { document } = draft
    if (!document) return { look: lanternLook, swaps: [] }
    if (view.panel === 'look' && view.day === null)
      return document.seasons.find(({ id }) => id === view.seasonId) ?? { look: document.look, swaps: [] }
    return view.day
      ? dressOn(document, calendarDay(Date.parse(view.day) / 86_400_000))
      : dressAt(document, Date.now(), channel.value.timeZone)
  })
}

/** The look of that. */
export function useShownLook() {
  const dress = useShownDress()
  return computed<Look>(() => dress.value.look)
}
