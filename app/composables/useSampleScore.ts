import { computed, type Ref } from 'vue'
import type { Alert, BoxDocument } from '../../core/composition/box.ts'
import { sampleEvent, type SampleName } from '../../core/events/sampleEvent.ts'
import { resolveScore } from '../../core/score/resolve.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import type { SolveError } from '../../core/score/solve.ts'
import { useMediaStore } from '../stores/media.ts'
import { useSessionStore } from '../stores/session.ts'

/** An alert's variation resolved with a sample event, exactly as the server would for a real one. */
export function useSampleScore(document: Ref<BoxDocument | null>, alert: Ref<Alert | null>, variationId: Ref<string | null>, viewer: Ref<SampleName>) {
  const media = useMediaStore()
  const session = useSessionStore()
  const result = computed(() => {
    const variation = alert.value?.variations.find((each) => each.id === variationId.value) ?? alert.value?.variations[0]
    if (!document.value || !alert.value || !variation) return null
    const { canvas, look, zones } = document.value
    return resolveScore(variation.composition, {
      canvas,
      look,
      zones,
      event: sampleEvent(alert.value.kind, viewer.value),
      locale: session.session?.channel.locale ?? 'en',
      media: media.facts,
    })
  })
  return {
    score: computed<ResolvedScore | null>(() => (result.value?.ok ? result.value.value : null)),
    fault: computed<SolveError | null>(() => (result.value && !result.value.ok ? result.value.error : null)),
  }
}
