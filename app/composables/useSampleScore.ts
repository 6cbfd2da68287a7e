import { computed, type Ref } from 'vue'
import type { Alert, BoxDocument } from '../../core/composition/box.ts'
import { sampleEvent, type SampleName } from '../../core/events/sampleEvent.ts'
import { exampleOf } from '../../core/rules/exampleOf.ts'
import { pointOf } from '../../core/rules/space.ts'
import { ruleValuesOf } from '../../core/rules/values.ts'
import { resolveScore } from '../../core/score/resolve.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import type { SolveError } from '../../core/score/solve.ts'
import { useMediaStore } from '../stores/media.ts'
import { useSessionStore } from '../stores/session.ts'
import { useCoverage } from './useCoverage.ts'

/** An alert's variation resolved with a sample event, exactly as the server would for a real one. */
export function useSampleScore(document: Ref<BoxDocument | null>, alert: Ref<Alert | null>, variationId: Ref<string | null>, viewer: Ref<SampleName>) {
  const media = useMediaStore()
  const session = useSessionStore()
  const { coverage } = useCoverage(alert)
  const result = computed(() => {
    const variation = alert.value?.variations.find((each) => each.id === variationId.value) ?? alert.value?.variations[0]
    if (!document.value || !alert.value || !variation) return null
    const { canvas, look, zones } = document.value
    const { currency = 'EUR', locale = 'en' } = session.session?.channel ?? {}
    const sample = sampleEvent(alert.value.kind, viewer.value)
    // What is shown is an event that this case would really be chosen for.
    const event = (coverage.value && exampleOf(sample, coverage.value, variation.id, pointOf(coverage.value.space, ruleValuesOf(sample, { currency, rates: {} })))) ?? sample
    return resolveScore(variation.composition, {
      canvas,
      look,
      zones,
      event,
      locale,
      media: media.facts,
    })
  })
  return {
    score: computed<ResolvedScore | null>(() => (result.value?.ok ? result.value.value : null)),
    fault: computed<SolveError | null>(() => (result.value && !result.value.ok ? result.value.error : null)),
  }
}
