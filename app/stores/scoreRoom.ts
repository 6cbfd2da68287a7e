import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { mainKind, playedBy, type Variation } from '../../core/composition/box.ts'
import { withGroups } from '../../core/edit/groupParts.ts'
import type { EventKind } from '../../core/events/kinds.ts'
import type { SampleName } from '../../core/events/sampleEvent.ts'
import type { OwnSample } from '../../core/response/ownSample.ts'
import type { Sample } from '../../core/response/sampleFor.ts'
import { useDraftStore } from './draft.ts'

/** What a person sees first of an alert: what plays every time, not its special cases. */
const everydayOf = (variations: readonly Variation[]) =>
  variations.find((each) => each.rule === null && playedBy(each) === 'events') ?? variations[0] ?? null

/** What is being looked at in the score room: which alert, which case, which parts, shown with whose name. */
export const useScoreRoomStore = defineStore('scoreRoom', () => {
  const draft = useDraftStore()
  const alertId = ref<string | null>(null)
  const variationId = ref<string | null>(null)
  /** In the order in which they were selected; the last is the one that the inspector shows. */
  const partIds = ref<string[]>([])
  const viewer = ref<SampleName>('everyday')
  const sampleKind = ref<EventKind | null>(null)
  const choice = ref<string | null>(null)
  /** A sample of one's own; null: a ready one. */
  const own = shallowRef<OwnSample | null>(null)

  const alert = computed(
    () => draft.document?.alerts.find((each) => each.id === alertId.value) ?? draft.document?.alerts[0] ?? null,
  )
  const variation = computed(
    () =>
      alert.value?.variations.find((each) => each.id === variationId.value) ??
      everydayOf(alert.value?.variations ?? []),
  )
  const composition = computed(() => variation.value?.composition ?? null)
  const parts = computed(() => composition.value?.parts ?? [])
  const part = computed(() => parts.value.find((each) => each.id === partIds.value.at(-1)) ?? null)
  const selected = computed(() => parts.value.filter((each) => partIds.value.includes(each.id)))
  /** Which of the alert's kinds it is shown with. */
  const kind = computed<EventKind>(() => {
    if (!alert.value) return 'follow'
    const wanted = sampleKind.value
    return wanted && alert.value.kinds.includes(wanted) ? wanted : mainKind(alert.value)
  })
  const sample = computed<Sample>(() => ({
    viewer: viewer.value,
    kind: kind.value,
    choice: choice.value,
    own: own.value,
  }))
  const address = computed(() =>
    alert.value && variation.value ? { alertId: alert.value.id, variationId: variation.value.id } : null,
  )

  /** Selects a part with its group; `adds` keeps what is selected, and takes the part out again where it was in. */
  function select(partId: string | null, adds = false): void {
    if (partId === null) {
      if (!adds) partIds.value = []
      return
    }
    const group = composition.value ? withGroups(composition.value, [partId]) : [partId]
    const others = group.filter((id) => id !== partId)
    if (!adds) partIds.value = [...others, partId]
    else if (partIds.value.includes(partId)) partIds.value = partIds.value.filter((id) => !group.includes(id))
    else partIds.value = [...partIds.value, ...others, partId]
  }

  // Another alert has other parts; a part of the same name is what the person most likely wants to go on with.
  watch(alertId, () => {
    variationId.value = null
    sampleKind.value = null
    choice.value = null
    // What happened is of another kind; what was typed goes on.
    if (own.value?.past) own.value = null
    partIds.value = partIds.value.filter((id) => parts.value.some((each) => each.id === id))
  })

  return {
    alertId,
    variationId,
    partIds,
    viewer,
    sampleKind,
    choice,
    own,
    kind,
    sample,
    alert,
    variation,
    composition,
    parts,
    part,
    selected,
    address,
    select,
    partId: computed(() => part.value?.id ?? null),
  }
})
