import { watchDebounced } from '@vueuse/core'
import { computed, shallowRef, type Ref } from 'vue'
import { mainKind, type Alert, type Variation } from '../../core/composition/box.ts'
import type { CanvasBox } from '../../core/composition/canvasBox.ts'
import type { EventKind } from '../../core/events/kinds.ts'
import type { Remark } from '../../core/remarks/remark.ts'
import { remarksOf } from '../../core/remarks/remarksOf.ts'
import { sampleEvent, type SampleName } from '../../core/events/sampleEvent.ts'
import type { PreparedScore } from '../../player/preparedScore.ts'
import type { Seen } from '../../core/remarks/seen.ts'
import { useDraftStore } from '../stores/draft.ts'
import { useMediaStore } from '../stores/media.ts'
import { useProofsStore } from '../stores/proofs.ts'
import { useSpeechStore } from '../stores/speech.ts'
import { useScoreRoomStore } from '../stores/scoreRoom.ts'
import { useShownLook } from './useShownLook.ts'

/** While something is being dragged nothing is remarked. */
const quietMs = 140
const restMs = 3_000

/** One variation as it was measured. */
interface Looked {
  alert: Alert
  composition: Variation['composition']
  prepared: PreparedScore
  kind: EventKind
  viewer: SampleName
  sceneColours?: ((box: CanvasBox) => readonly string[]) | null
  seen?: Seen | null
}

/** Looks through any variation of the draft with what is known of its media and its look. */
export function useRemarker() {
  const draft = useDraftStore()
  const media = useMediaStore()
  const speech = useSpeechStore()
  const shown = useShownLook()
  return ({ alert, composition, prepared, kind, viewer, sceneColours = null, seen = null }: Looked): Remark[] =>
    remarksOf({
      kinds: alert.kinds,
      composition,
      score: prepared.score,
      layouts: prepared.layouts,
      zones: draft.document?.zones ?? [],
      messageText: sampleEvent(kind, viewer).data.message?.text ?? '',
      soundLevel: shown.value.soundLevel,
      sounds: { ...Object.fromEntries(media.measuredSounds), ...speech.measured },
      pictureColours: media.pictureColours,
      sceneColours,
      seen,
    })
}

/** What should be mended in a case that a tile shows: filled once the tile has `prepared` it. */
export function useWrongs(alert: () => Alert | null, variationId: () => string) {
  const remark = useRemarker()
  const prepared = shallowRef<PreparedScore | null>(null)
  const wrongs = computed<Remark[]>(() => {
    const of = alert()
    const composition = of?.variations.find(({ id }) => id === variationId())?.composition
    if (!of || !composition || !prepared.value) return []
    return remark({ alert: of, composition, prepared: prepared.value, kind: mainKind(of), viewer: 'everyday' }).filter(
      ({ level }) => level === 'wrong',
    )
  })
  return { prepared, wrongs }
}

/** What there is to say about the variation as it is shown now, made from what the stage measured. */
export function useRemarks(
  prepared: Ref<PreparedScore | null>,
  sceneColours: Ref<((box: CanvasBox) => readonly string[]) | null>,
) {
  const draft = useDraftStore()
  const room = useScoreRoomStore()
  const media = useMediaStore()
  const shown = useShownLook()
  const proofs = useProofsStore()
  const remark = useRemarker()
  const remarks = shallowRef<Remark[]>([])
  const seen = computed(() => (room.address ? proofs.seenOf(room.address.alertId, room.address.variationId) : null))
  function look(): Remark[] {
    if (!prepared.value || !room.alert || !room.composition) return []
    return remark({
      alert: room.alert,
      composition: room.composition,
      prepared: prepared.value,
      kind: room.kind,
      viewer: room.viewer,
      sceneColours: sceneColours.value,
      seen: seen.value,
    })
  }
  watchDebounced(
    () => [
      prepared.value,
      room.composition,
      sceneColours.value,
      draft.document?.zones,
      shown.value,
      media.files,
      seen.value,
    ],
    () => (remarks.value = look()),
    { debounce: quietMs, immediate: true },
  )
  // All of a play is only drawn for that once nobody works on it.
  watchDebounced(
    () => [room.address, room.composition, draft.document?.look, draft.document?.stays] as const,
    ([address, , , stays]) => address && !stays && void proofs.lookAtOne(address.alertId, address.variationId),
    { debounce: restMs, immediate: true },
  )
  return remarks
}
