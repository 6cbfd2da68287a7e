import { computed, onMounted, ref, shallowRef, type Ref } from 'vue'
import type { BoxView } from '../../../contract/views.ts'
import type { BoxDocument } from '../../../core/composition/box.ts'
import { usualPolicy, type BoxPolicy } from '../../../core/queue/policy.ts'
import { studioNamedBy, type StudioAtFirst } from '../../../core/rehearsal/rehearsedStudio.ts'
import { boxesOfSheets, type Side, type SideBox } from '../../../core/rehearsal/rehearse.ts'
import type { NightChannel } from '../../../contract/nights.ts'
import { request } from '../../api/request.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useLiveStore } from '../../stores/live.ts'

/** What is beside the draft. */
export type Beside = 'air' | 'none' | 'usual'

interface KnownBox {
  boxId: string
  name: string
  draft: BoxDocument
  air: BoxDocument | null
}

/**
 * The two sides of a rehearsal: the draft of a box, or of all of them, and what is beside it. Boxes that are not rehearsed stand
 * in both as they are on air, for run sheets that play something there.
 * @param boxId the box whose draft is open
 */
export function useSides(boxId: Ref<string | null>, isAll: Ref<boolean>, channel: Ref<NightChannel | null>) {
  const boxes = useBoxesStore()
  const draft = useDraftStore()
  const live = useLiveStore()
  const views = shallowRef<readonly BoxView[]>([])
  const beside = ref<Beside>('air')

  /** Reads what is on air of every box. */
  async function load(): Promise<void> {
    views.value = await Promise.all((boxes.boxes ?? []).map(({ id }) => request<BoxView>('GET', `/api/boxes/${id}`)))
  }
  onMounted(() => boxes.boxes && void load().catch(() => undefined))

  const known = computed(() =>
    views.value.map(({ id, name, document, airDocument }): KnownBox => {
      // Of the one that is open, the draft is here as it is this very moment.
      const isOpen = draft.view?.id === id && draft.document !== null
      const own = isOpen ? { draft: draft.document ?? document, air: draft.view?.airDocument ?? null } : null
      return { boxId: id, name, draft: document, air: airDocument, ...own }
    }),
  )
  const rehearsed = computed(() => known.value.filter((each) => isAll.value || each.boxId === boxId.value))
  const others = computed(() => {
    const needed = channel.value ? boxesOfSheets(channel.value) : new Set<string>()
    return known.value.flatMap(({ boxId: id, air }): SideBox[] =>
      air && needed.has(id) && !rehearsed.value.some((each) => each.boxId === id)
        ? [{ boxId: id, document: air, policy: air.policy, isPlayed: false }]
        : [],
    )
  })
  const hasAir = computed(() => rehearsed.value.some(({ air }) => air !== null))
  const sideOf = (of: (box: KnownBox) => { document: BoxDocument; policy: BoxPolicy | null } | null): Side | null => {
    const played = rehearsed.value.flatMap((box): SideBox[] => {
      const found = of(box)
      return found ? [{ boxId: box.boxId, ...found, isPlayed: true }] : []
    })
    return played.length === 0 ? null : { boxes: [...played, ...others.value] }
  }
  const sideA = computed(() => {
    if (beside.value === 'air' && hasAir.value) return sideOf(({ air }) => air && { document: air, policy: air.policy })
    return sideOf(({ draft: document }) => ({ document, policy: beside.value === 'usual' ? usualPolicy : null }))
  })
  const sideB = computed(() => sideOf(({ draft: document }) => ({ document, policy: document.policy })))
  /** How much of a minute alerts may take under the draft, from 0 to 1; null: all of it, or each box has its own. */
  const share = computed(() => {
    const [only, ...more] = rehearsed.value
    const sentence = more.length > 0 ? null : only?.draft.policy.find(({ rule, isOn }) => rule === 'airtime' && isOn)
    return sentence?.rule === 'airtime' ? sentence.percent / 100 : null
  })
  /** As the studio that is linked is now; without one, whatever the triggers name is there. */
  const studio = computed((): StudioAtFirst => {
    const linked = live.live?.calls.studio
    if (!linked?.isLinked) return studioNamedBy(channel.value?.triggers ?? [])
    const { scenes, programme, sources } = linked
    return {
      scenes,
      programme,
      sources: sources.map(({ name, isShown, scenes: of }) => ({ name, isShown, scenes: of })),
    }
  })
  return { beside, known, rehearsed, hasAir, share, sideA, sideB, studio, load }
}
