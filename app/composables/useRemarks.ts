import { watchDebounced } from '@vueuse/core'
import { shallowRef, watchEffect, type Ref } from 'vue'
import type { CanvasBox } from '../../core/composition/canvasBox.ts'
import type { Remark } from '../../core/remarks/remark.ts'
import { remarksOf } from '../../core/remarks/remarksOf.ts'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import type { PreparedScore } from '../../player/prepare.ts'
import { useDraftStore } from '../stores/draft.ts'
import { useMeasuresStore } from '../stores/measures.ts'
import { useMediaStore } from '../stores/media.ts'
import { useScoreRoomStore } from '../stores/scoreRoom.ts'

/** While something is being dragged nothing is remarked. */
const quietMs = 140

/** What there is to say about the variation as it is shown now, made from what the stage measured. */
export function useRemarks(prepared: Ref<PreparedScore | null>, sceneColours: Ref<((box: CanvasBox) => readonly string[]) | null>) {
  const draft = useDraftStore()
  const room = useScoreRoomStore()
  const media = useMediaStore()
  const measures = useMeasuresStore()

  watchEffect(() => {
    for (const part of room.parts) if ('mediaId' in part && part.mediaId) measures.want(media.files.find((file) => file.id === part.mediaId))
  })
  const remarks = shallowRef<Remark[]>([])
  function look(): Remark[] {
    if (!prepared.value || !draft.document || !room.alert || !room.composition) return []
    return remarksOf({
      kind: room.alert.kind,
      composition: room.composition,
      score: prepared.value.score,
      layouts: prepared.value.layouts,
      zones: draft.document.zones,
      messageText: sampleEvent(room.alert.kind, room.viewer).data.message?.text ?? '',
      peakDb: Object.fromEntries([...measures.sounds].map(([id, sound]) => [id, sound.peakDb])),
      pictureColours: Object.fromEntries([...measures.pictures].map(([id, picture]) => [id, picture.colours])),
      sceneColours: sceneColours.value,
    })
  }
  watchDebounced(() => [prepared.value, room.composition, sceneColours.value, draft.document?.zones, measures.sounds.size, measures.pictures.size], () => (remarks.value = look()), { debounce: quietMs, immediate: true })
  return remarks
}
