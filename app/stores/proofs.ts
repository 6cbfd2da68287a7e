import { watchDebounced } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowReactive, shallowRef } from 'vue'
import { goalForMadeUp } from '../../core/board/boardStates.ts'
import type { BoxDocument } from '../../core/composition/box.ts'
import { isSame } from '../../core/isSame.ts'
import { dressAt } from '../../core/look/seasons.ts'
import { caseKey, proofCases } from '../../core/proof/proofCases.ts'
import type { Seen } from '../../core/remarks/seen.ts'
import { useChannel } from '../composables/useChannel.ts'
import { openDarkroom, type Darkroom } from '../proof/darkroom.ts'
import { drawBoard } from '../proof/drawBoard.ts'
import {
  drawCase,
  lookAtCase,
  withSeen,
  type BoxContext,
  type CaseOfBox,
  type ProofPicture,
} from '../proof/drawCase.ts'
import { useDraftStore } from './draft.ts'
import { useGoalsStore } from './goals.ts'
import { useMediaStore } from './media.ts'
import { useSpeechStore } from './speech.ts'

/** Whoever is typing is not followed letter by letter. */
const quietMs = 500
const wholeBoard = 'board'

/** The pictures of a case, and what they are made from: where that stays, they do. */
interface DrawnCase {
  madeFrom: readonly unknown[]
  pictures: readonly ProofPicture[]
  /** What was seen when all of its play was drawn; null: that is to come. */
  seen: Seen | null
}

/**
 * The proof sheet of a box or board: drawn in the background from when it is first wanted, gone on with while one does something
 * else, and drawn again where its draft changes.
 */
export const useProofsStore = defineStore('proofs', () => {
  const draft = useDraftStore()
  const media = useMediaStore()
  const speech = useSpeechStore()
  const goals = useGoalsStore()
  const channel = useChannel()
  const cases = shallowReactive(new Map<string, DrawnCase>())
  const wantedId = ref<string | null>(null)
  /** Whose pictures there are. */
  const boxId = ref<string | null>(null)
  const isRunning = ref(false)
  const progress = shallowRef({ done: 0, all: 1 })
  const tookMs = ref<number | null>(null)
  const refusal = ref('')
  const atMs = Date.now()
  let run = 0
  let darkroom: Darkroom | null = null

  const contextOf = (document: BoxDocument): BoxContext => ({
    document,
    dress: dressAt(document, atMs, channel.value.timeZone),
    channel: channel.value,
    media: media.facts,
    atMs,
    sounds: { ...Object.fromEntries(media.measuredSounds), ...speech.measured },
    pictureColours: Object.fromEntries(
      media.pictures.map(({ id, measured }) => [id, (measured?.of === 'picture' && measured.seen?.colours) || []]),
    ),
  })

  function casesOf(document: BoxDocument, air: BoxDocument | null) {
    const { canvas, look, seasons, zones } = document
    const whole = [canvas, look, seasons, zones, air?.look, air?.seasons, air?.canvas]
    if (document.stays) return [{ key: wholeBoard, of: null, madeFrom: [document.alerts, air?.alerts, ...whole] }]
    return proofCases(document).map(({ alert, variation }) => {
      const aired = air?.alerts.find(({ id }) => id === alert.id)
      return {
        key: caseKey(alert.id, variation.id),
        of: { alert, variation },
        madeFrom: [
          ...[variation, alert.kinds, alert.offer, alert.variations.map(({ rule }) => rule)],
          ...[aired?.variations.find(({ id }) => id === variation.id), ...whole],
        ],
      }
    })
  }

  async function draw(): Promise<void> {
    const { document } = draft
    const id = draft.view?.id ?? null
    if (!document || id === null || id !== wantedId.value) return
    const mine = ++run
    const isCurrent = () => mine === run
    if (id !== boxId.value) forget()
    boxId.value = id
    refusal.value = ''
    const air = draft.view?.airDocument ?? null
    const all = casesOf(document, air)
    const keys = new Set(all.map(({ key }) => key))
    for (const key of cases.keys()) if (!keys.has(key)) drop(key)
    const undrawn = all.filter(({ key, madeFrom }) => !isSame(cases.get(key)?.madeFrom, madeFrom))
    const unseen = all.filter((each) => each.of && (undrawn.includes(each) || cases.get(each.key)?.seen === null))
    const steps = undrawn.length + unseen.length
    isRunning.value = steps > 0
    if (steps === 0) return
    let done = 0
    const step = () => (progress.value = { done: ++done, all: steps })
    progress.value = { done, all: steps }
    const fromMs = performance.now()
    try {
      await Promise.all([media.ensureLoaded(), speech.ensureLoaded(), document.stays && (goals.view ?? goals.load())])
      const [context, onAir] = [contextOf(document), air && contextOf(air)]
      darkroom ??= openDarkroom()
      for (const { key, of, madeFrom } of undrawn) {
        if (!isCurrent()) return
        const pictures = await drawnOf(darkroom, key, of, context, onAir)
        if (!isCurrent()) return pictures.forEach(giveBack)
        drop(key)
        cases.set(key, { madeFrom, pictures, seen: null })
        step()
      }
      for (const { key, of } of unseen) {
        const drawn = cases.get(key)
        if (!of || !drawn) continue
        const seen = await lookAtCase(darkroom, of, context)
        if (!isCurrent()) return
        cases.set(key, { ...drawn, seen, pictures: withSeen(drawn.pictures, seen) })
        step()
      }
      tookMs.value = performance.now() - fromMs
    } catch {
      if (isCurrent()) refusal.value = 'The pictures could not be drawn. Reload the page and try once more.'
    }
    if (isCurrent()) isRunning.value = false
  }

  const drawnOf = (
    room: Darkroom,
    key: string,
    of: Omit<CaseOfBox, 'key'> | null,
    context: BoxContext,
    air: BoxContext | null,
  ): Promise<ProofPicture[]> =>
    of
      ? drawCase(room, { key, ...of }, context, air)
      : drawBoard(room, key, context, air, {
          nowMs: atMs,
          currency: context.channel.currency,
          locale: context.channel.locale,
          goals: [...(goals.view?.goals ?? []), ...(goals.view?.past ?? [])].map(({ goal }) => goalForMadeUp(goal)),
        })

  function giveBack({ picture, change }: ProofPicture): void {
    if (picture) URL.revokeObjectURL(picture.url)
    if (change && change !== 'new' && change.before) URL.revokeObjectURL(change.before.url)
  }
  function drop(key: string): void {
    cases.get(key)?.pictures.forEach(giveBack)
    cases.delete(key)
  }
  function forget(): void {
    for (const key of cases.keys()) drop(key)
    tookMs.value = null
  }

  watchDebounced(
    () => [wantedId.value, draft.document, draft.view?.airDocument],
    () => void draw(),
    { debounce: quietMs },
  )

  const pictures = computed(() => [...cases.values()].flatMap((each) => each.pictures))
  return {
    cases,
    boxId,
    pictures,
    /** How many have remarks that viewers would notice, of how many. */
    wrong: computed(
      () => pictures.value.filter(({ remarks }) => remarks.some(({ level }) => level === 'wrong')).length,
    ),
    isRunning,
    progress,
    tookMs,
    refusal,
    /** Wants the sheet of the box whose draft is open, now and from now on. */
    want: (id: string) => (wantedId.value = id),
    again: () => void draw(),
    print: (files: { file: Blob; words: string }[], columns: number, title: string) =>
      (darkroom ??= openDarkroom()).print(files, columns, title),
  }
})
