import { computed } from 'vue'
import { lanternLook } from '../../core/look/lanternLook.ts'
import type { Look } from '../../core/look/schema.ts'
import { lookOn } from '../../core/look/seasons.ts'
import { calendarDay, localMoment } from '../../core/time/localMoment.ts'
import { useDraftStore } from '../stores/draft.ts'
import { useRoomViewStore } from '../stores/roomView.ts'
import { useChannel } from './useChannel.ts'

/** The look that the score room shows: that of the chosen day, else the one that is being edited, else today's. */
export function useShownLook() {
  const draft = useDraftStore()
  const view = useRoomViewStore()
  const channel = useChannel()
  return computed<Look>(() => {
    const { document } = draft
    if (!document) return lanternLook
    if (view.isEditingLook && view.day === null) return document.seasons.find(({ id }) => id === view.seasonId)?.look ?? document.look
    const on = view.day ? calendarDay(Date.parse(view.day) / 86_400_000) : localMoment(Date.now(), channel.value.timeZone)
    return lookOn(document, on)
  })
}
