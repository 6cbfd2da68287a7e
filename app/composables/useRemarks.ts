import { watchDebounced } from '@vueuse/core'
import { shallowRef, type Ref } from 'vue'
import type { CanvasBox } from '../../core/composition/canvasBox.ts'
import type { Remark } from '../../core/remarks/remark.ts'
import { remarksOf } from '../../core/remarks/remarksOf.ts'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import type { PreparedScore } from '../../player/prepare.ts'
import { useShownLook } from './useShownLook.ts'
import { useDraftStore } from '../stores/draft.ts'
import { useMediaStore } from '../stores/media.ts'
import { useScoreRoomStore } from '../stores/scoreRoom.ts'

/** While something is being dragged nothing is remarked. */
const quietMs = 140

/** What there is to say about the variation as it is shown now, made from what the stage measured. */
export function useRemarks(prepared: Ref<PreparedScore | null>, sceneColours: Ref<((box: CanvasBox) => readonly string[]) | null>) {
  const draft = useDraftStore()
  const room = useScoreRoomStore()
  const media = useMediaStore()
  const shown = useShownLook()
  const remarks = shallowRef<Remark[]>([])
  function look(): Remark[] {
    if (!prepared.value || !draft.document || !room.alert || !room.composition) return []
    return remarksOf({
      kinds: room.alert.kinds,
      composition: room.composition,
      score: prepared.value.score,
      layouts: prepared.value.layouts,
      zones: draft.document.zones,
      messageText: sampleEvent(room.kind, room.viewer).data.message?.text ?? '',
      soundLevel: shown.value.soundLevel,
      sounds: Object.fromEntries(media.measuredSounds),
      pictureColours: Object.fromEntries(media.pictures.map(({ id, measured }) => [id, (measured?.of === 'picture' && measured.seen?.colours) || []])),
      sceneColours: sceneColours.value,
    })
  }
  watchDebounced(() => [prepared.value, room.composition, sceneColours.value, draft.document?.zones, shown.value, media.files], () => (remarks.value = look()), { debounce: quietMs, immediate: true })
  return remarks
}
