import { watchDebounced } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, shallowRef, watch, type Ref } from 'vue'
import type { BoxDocument } from '../../../core/composition/box.ts'
import { isSame } from '../../../core/isSame.ts'
import type { Arrival } from '../../../core/queue/flood.ts'
import { sampleFlood } from '../../../core/response/sampleFlood.ts'
import type { FloodView } from '../../../contract/views.ts'
import { request } from '../../api/request.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { useMediaStore } from '../../stores/media.ts'
import type { FloodAnswer, FloodQuestion } from '../../workers/flood.worker.ts'

/** Fewer than so many within an hour are no flood: a made-up one shows more. */
const floodFrom = 30

/**
 * What the policies on air and of the draft make of the last flood that came to a box, worked out beside the page. Where they are
 * the same, beside what would be without any.
 * @param air null: the box was never on air
 */
export function useFlood(boxId: Ref<string | null>, draft: Ref<BoxDocument | null>, air: Ref<BoxDocument | null>) {
  const channel = useChannel()
  const media = useMediaStore()
  const real = shallowRef<Arrival[]>([])
  const answer = shallowRef<FloodAnswer | null>(null)
  const isBusy = ref(false)
  /** What the draft is beside; null: one after another. */
  const beside = computed(() => {
    const policy = air.value?.policy ?? null
    return isSame(policy, draft.value?.policy) ? null : policy
  })
  const isMadeUp = computed(() => real.value.length < floodFrom)
  const arrivals = computed<Arrival[]>(() => {
    if (!isMadeUp.value) return real.value
    if (!draft.value) return []
    return sampleFlood(draft.value, { ...channel.value, media: media.facts, flags: () => false })
  })

  watch(
    boxId,
    async (id) => {
      real.value = []
      if (id === null) return
      const view = await request<FloodView>('GET', `/api/boxes/${id}/flood`).catch(() => null)
      if (view && boxId.value === id) real.value = view.arrivals
    },
    { immediate: true },
  )

  const worker = new Worker(new URL('../../workers/flood.worker.ts', import.meta.url), { type: 'module' })
  worker.addEventListener('message', ({ data }: MessageEvent<FloodAnswer>) => {
    answer.value = data
    isBusy.value = false
  })
  onBeforeUnmount(() => worker.terminate())
  watchDebounced(
    [arrivals, () => draft.value?.policy, beside],
    () => {
      if (!draft.value) return
      isBusy.value = true
      // What a worker is sent has to be plain.
      const question: FloodQuestion = {
        arrivals: arrivals.value,
        air: beside.value,
        draft: draft.value.policy,
      }
      worker.postMessage(JSON.parse(JSON.stringify(question)))
    },
    { debounce: 120, immediate: true },
  )
  return { arrivals, answer, isBusy, isMadeUp, isBesideAir: computed(() => beside.value !== null) }
}
