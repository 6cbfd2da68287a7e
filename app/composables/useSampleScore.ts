import { watchDebounced } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import type { Alert, BoxDocument } from '../../core/composition/box.ts'
import type { Composition } from '../../core/composition/schema.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import { dressAt, type Dress } from '../../core/look/seasons.ts'
import { sampleFor, type Sample } from '../../core/response/sampleFor.ts'
import { resolveScore, wornComposition, type ResolveContext } from '../../core/score/resolve.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import type { SolveError } from '../../core/score/solve.ts'
import { voicesOf } from '../../core/speech/sayings.ts'
import type { SpokenParts } from '../../core/speech/spoken.ts'
import { useMediaStore } from '../stores/media.ts'
import { useSpeechStore } from '../stores/speech.ts'
import { useChannel } from './useChannel.ts'

export const everydaySample: Sample = { viewer: 'everyday', kind: null, choice: null }

/**
 * An alert's variation resolved with a sample event, exactly as the server would for a real one.
 * @param wanted the look and files to show; otherwise today's
 * @param speaks has its voices spoken by the server; otherwise they are silent and their lengths estimated
 */
export function useSampleScore(
  document: Ref<BoxDocument | null>,
  alert: Ref<Alert | null>,
  variationId: Ref<string | null>,
  sample: Ref<Sample>,
  wanted?: Ref<Dress>,
  speaks = false,
) {
  const media = useMediaStore()
  const speech = useSpeechStore()
  const channel = useChannel()
  const variation = computed(
    () => alert.value?.variations.find((each) => each.id === variationId.value) ?? alert.value?.variations[0] ?? null,
  )
  /** The channel's, or the one that somebody wants to see. */
  const locale = computed(() => sample.value.own?.locale ?? channel.value.locale)
  /** What is shown is an event that this case would really be chosen for. */
  const event = computed<CanonicalEvent | null>(() =>
    alert.value && variation.value
      ? sampleFor(alert.value, variation.value, sample.value, channel.value, Date.now())
      : null,
  )
  const voices = computed(() =>
    speaks && variation.value && event.value ? voicesOf(variation.value.composition, event.value, locale.value) : [],
  )
  // Words that are being typed are not spoken letter by letter.
  watchDebounced(voices, (wanted) => void speech.ask(wanted.flatMap(({ sayings }) => sayings)), {
    debounce: 350,
    immediate: true,
  })
  const spoken = computed<SpokenParts>(() => speech.spokenOf(voices.value))
  const context = computed<ResolveContext | null>(() => {
    if (!document.value || !alert.value || !event.value) return null
    const { canvas, zones } = document.value
    const { look, swaps } = wanted?.value ?? dressAt(document.value, Date.now(), channel.value.timeZone)
    return {
      canvas,
      look,
      zones,
      event: event.value,
      offer: alert.value.offer,
      swaps,
      locale: locale.value,
      media: media.facts,
      spoken: spoken.value,
    }
  })
  /** Settles a composition as the shown one is settled: with its event, its look, its files and what its voices say. */
  const settle = (composition: Composition) => context.value && resolveScore(composition, context.value)
  const result = computed(() => (variation.value ? settle(variation.value.composition) : null))
  return {
    event,
    locale,
    /** What its voices say, by part. */
    voices,
    spoken,
    settle,
    /** The composition with the files of the season and of what the viewer chose: what the lanes show. */
    worn: computed(
      () => variation.value && context.value && wornComposition(variation.value.composition, context.value),
    ),
    score: computed<ResolvedScore | null>(() => (result.value?.ok ? result.value.value : null)),
    fault: computed<SolveError | null>(() => (result.value && !result.value.ok ? result.value.error : null)),
  }
}
