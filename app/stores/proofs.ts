import { watchDebounced } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowReactive, shallowRef } from 'vue'
import { goalForMadeUp } from '../../core/board/boardStates.ts'
import type { Alert, BoxDocument, Variation } from '../../core/composition/box.ts'
import { isSame } from '../../core/isSame.ts'
import { dressAt } from '../../core/look/seasons.ts'
import { caseKey, proofCases } from '../../core/proof/proofCases.ts'
import type { Seen } from '../../core/remarks/seen.ts'
import { isWrong } from '../components/proofs/proofRows.ts'
import { boardKey } from '../components/proofs/sheetOf.ts'
import { useChannel } from '../composables/useChannel.ts'
import { openDarkroom, type Darkroom } from '../proof/darkroom.ts'
import { drawBoard } from '../proof/drawBoard.ts'
import { drawCase, lookAtCase, withSeen, type BoxContext, type ProofPicture } from '../proof/drawCase.ts'
import { useDraftStore } from './draft.ts'
import { useGoalsStore } from './goals.ts'
import { useMediaStore } from './media.ts'
import { useSpeechStore } from './speech.ts'

/** Whoever is typing is not followed letter by letter. */
const quietMs = 500

/** Something made of a case, and what of it: where that stays, so does this. */
interface Made<Of> {
  madeFrom: readonly unknown[]
  made: Of
}

/** One row of a sheet: a case, or all of a board. */
interface SheetCase {
  key: string
  of: { alert: Alert; variation: Variation } | null
  madeFrom: readonly unknown[]
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
  const drawn = shallowReactive(new Map<string, Made<readonly ProofPicture[]>>())
  /** What was seen when all of a case’s play was drawn. */
  const seen = shallowReactive(new Map<string, Made<Seen>>())
  const wantedId = ref<string | null>(null)
  /** Whose pictures there are. */
  const boxId = ref<string | null>(null)
  const isRunning = ref(false)
  const progress = shallowRef({ done: 0, all: 1 })
  const tookMs = ref<number | null>(null)
  const refusal = ref('')
  const atMs = Date.now()
  let run = new AbortController()
  let looking = new AbortController()
  let darkroom: Darkroom | null = null

  const contextOf = (document: BoxDocument): BoxContext => ({
    document,
    dress: dressAt(document, atMs, channel.value.timeZone),
    channel: channel.value,
    media: media.facts,
    atMs,
    sounds: { ...Object.fromEntries(media.measuredSounds), ...speech.measured },
    pictureColours: media.pictureColours,
  })
  const isLoaded = () => Promise.all([media.ensureLoaded(), speech.ensureLoaded()])

  /** What all cases of a box are made from. */
  const wholeOf = ({ canvas, look, seasons, zones }: BoxDocument, air: BoxDocument | null) => [
    ...[canvas, look, seasons, zones],
    ...[air?.look, air?.seasons, air?.canvas],
  ]
  function sheetCase(
    of: { alert: Alert; variation: Variation },
    document: BoxDocument,
    air: BoxDocument | null,
  ): SheetCase {
    const { alert, variation } = of
    const aired = air?.alerts.find(({ id }) => id === alert.id)
    return {
      key: caseKey(alert.id, variation.id),
      of,
      madeFrom: [
        ...[variation, alert.kinds, alert.offer, alert.variations.map(({ rule }) => rule)],
        ...[aired?.variations.find(({ id }) => id === variation.id), ...wholeOf(document, air)],
      ],
    }
  }
  const casesOf = (document: BoxDocument, air: BoxDocument | null): SheetCase[] =>
    document.stays
      ? [{ key: boardKey, of: null, madeFrom: [document.alerts, air?.alerts, ...wholeOf(document, air)] }]
      : proofCases(document).map((of) => sheetCase(of, document, air))
  const isKept = (kept: Made<unknown> | undefined, { madeFrom }: SheetCase) => isSame(kept?.madeFrom, madeFrom)

  /** Takes the box whose draft is open; what is known of another one is forgotten. */
  function turnTo(id: string): void {
    if (id === boxId.value) return
    for (const key of drawn.keys()) drop(key)
    seen.clear()
    tookMs.value = null
    boxId.value = id
  }

  async function draw(): Promise<void> {
    const { document, view } = draft
    if (!document || !view || view.id !== wantedId.value) return
    run.abort()
    run = new AbortController()
    const { signal } = run
    turnTo(view.id)
    refusal.value = ''
    const all = casesOf(document, view.airDocument)
    const keys = new Set(all.map(({ key }) => key))
    for (const key of drawn.keys()) if (!keys.has(key)) drop(key)
    const undrawn = all.filter((each) => !isKept(drawn.get(each.key), each))
    const unseen = all.filter((each) => each.of && !isKept(seen.get(each.key), each))
    const steps = undrawn.length + unseen.length
    isRunning.value = steps > 0
    if (steps === 0) return
    let done = 0
    const step = () => (progress.value = { done: ++done, all: steps })
    progress.value = { done, all: steps }
    const fromMs = performance.now()
    try {
      await Promise.all([isLoaded(), document.stays && (goals.view ?? goals.load())])
      const [context, air] = [contextOf(document), view.airDocument && contextOf(view.airDocument)]
      darkroom ??= openDarkroom()
      for (const each of undrawn) {
        const pictures = await drawnOf(darkroom, each, context, air, signal)
        if (signal.aborted) return pictures.forEach(giveBack)
        drop(each.key)
        const known = isKept(seen.get(each.key), each) ? seen.get(each.key)?.made : undefined
        drawn.set(each.key, { madeFrom: each.madeFrom, made: known ? withSeen(pictures, known) : pictures })
        step()
      }
      for (const each of unseen) {
        await lookAt(each, context, signal)
        step()
      }
      tookMs.value = performance.now() - fromMs
    } catch {
      if (signal.aborted) return
      refusal.value = 'The pictures could not be drawn. Reload the page and try once more.'
    }
    isRunning.value = false
  }

  /** @throws where it is no longer wanted */
  async function lookAt(each: SheetCase, context: BoxContext, signal: AbortSignal): Promise<void> {
    if (!each.of || isKept(seen.get(each.key), each)) return
    darkroom ??= openDarkroom()
    const made = await lookAtCase(darkroom, each.of, context, signal)
    signal.throwIfAborted()
    seen.set(each.key, { madeFrom: each.madeFrom, made })
    const pictures = drawn.get(each.key)
    if (pictures && isKept(pictures, each)) drawn.set(each.key, { ...pictures, made: withSeen(pictures.made, made) })
  }

  const drawnOf = (
    room: Darkroom,
    { key, of }: SheetCase,
    context: BoxContext,
    air: BoxContext | null,
    signal: AbortSignal,
  ): Promise<ProofPicture[]> =>
    of
      ? drawCase(room, { key, ...of }, context, air, signal)
      : drawBoard(
          room,
          key,
          context,
          air,
          {
            nowMs: atMs,
            currency: context.channel.currency,
            locale: context.channel.locale,
            goals: [...(goals.view?.goals ?? []), ...(goals.view?.past ?? [])].map(({ goal }) => goalForMadeUp(goal)),
          },
          signal,
        )

  function giveBack({ picture, change }: ProofPicture): void {
    if (picture) URL.revokeObjectURL(picture.url)
    if (change && change !== 'new' && change.before) URL.revokeObjectURL(change.before.url)
  }
  function drop(key: string): void {
    drawn.get(key)?.made.forEach(giveBack)
    drawn.delete(key)
  }

  watchDebounced(
    () => [wantedId.value, draft.document, draft.view?.airDocument],
    () => void draw(),
    { debounce: quietMs },
  )

  /** One case of the draft that is open: asked on every edit, so that the others are left alone. */
  function caseOf(alertId: string, variationId: string): SheetCase | null {
    const { document, view } = draft
    const alert = document?.stays ? undefined : document?.alerts.find(({ id }) => id === alertId)
    const variation = alert?.variations.find(({ id }) => id === variationId)
    return document && alert && variation ? sheetCase({ alert, variation }, document, view?.airDocument ?? null) : null
  }

  const pictures = computed(() => [...drawn.values()].flatMap(({ made }) => made))
  return {
    drawn,
    boxId,
    pictures,
    /** How many have remarks that viewers would notice. */
    wrong: computed(() => pictures.value.filter(isWrong).length),
    isRunning,
    progress,
    tookMs,
    refusal,
    /** Wants the sheet of the box whose draft is open, now and from now on. */
    want: (id: string) => (wantedId.value = id),
    /** What was seen of a case as it is now; null: it was not looked at. */
    seenOf(alertId: string, variationId: string): Seen | null {
      const of = draft.view?.id === boxId.value ? caseOf(alertId, variationId) : null
      const known = of && seen.get(of.key)
      return of && known && isKept(known, of) ? known.made : null
    },
    /** Looks at one case of the draft that is open, unless that is known; only the one that was asked for last. */
    async lookAtOne(alertId: string, variationId: string): Promise<void> {
      looking.abort()
      looking = new AbortController()
      const { signal } = looking
      const { document, view } = draft
      const of = caseOf(alertId, variationId)
      if (!of || !document || !view) return
      turnTo(view.id)
      await isLoaded()
        .then(() => lookAt(of, contextOf(document), signal))
        // It is looked at again when it changes.
        .catch(() => undefined)
    },
    print: (files: { file: Blob; words: string }[], columns: number, title: string) =>
      (darkroom ??= openDarkroom()).print(files, columns, title),
  }
})
