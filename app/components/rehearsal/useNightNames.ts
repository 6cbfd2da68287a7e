import { computed, type Ref } from 'vue'
import type { NightChannel } from '../../../contract/nights.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useLiveStore } from '../../stores/live.ts'

/** What of a channel a rehearsal names: its boxes, its triggers, and which source of the studio shows which box. */
export function useNightNames(known: Ref<NightChannel | null>) {
  const boxes = useBoxesStore()
  const live = useLiveStore()
  const sourceOf = (boxId: string) => live.live?.calls.studio.sources.find(({ key }) => key === `box:${boxId}`) ?? null
  const boxNames = computed(() => new Map((boxes.boxes ?? []).map(({ id, name }) => [id, name])))
  const triggerNames = computed(() => new Map((known.value?.triggers ?? []).map(({ id, name }) => [id, name])))
  const asksPoints = computed(
    () =>
      known.value?.triggers.some(
        ({ isArmed, gate, starts }) => isArmed && gate.cost > 0 && starts.some(({ by }) => by === 'command'),
      ) ?? false,
  )
  return { sourceOf, boxNames, triggerNames, asksPoints }
}
