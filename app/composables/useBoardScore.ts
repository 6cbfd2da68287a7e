import { computed, onMounted, shallowRef, watch, type Ref } from 'vue'
import { goalForMadeUp, madeUp, type BoardState, type MadeUpContext } from '../../core/board/boardStates.ts'
import { resolveBoard, sceneOf } from '../../core/board/resolveBoard.ts'
import type { Slice, TellingOfBoard } from '../../core/board/slice.ts'
import { wantsOf } from '../../core/board/wantsOf.ts'
import type { Want } from '../../core/board/want.ts'
import type { BoxDocument } from '../../core/composition/box.ts'
import { dressAt, type Dress } from '../../core/look/seasons.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import { createBoardPlay } from '../../player/board/boardPlay.ts'
import type { BoardPlay } from '../../player/preparedScore.ts'
import { useGoalsStore } from '../stores/goals.ts'
import { useMediaStore } from '../stores/media.ts'
import { useChannel } from './useChannel.ts'

/** Everything has come in by then: a board is looked at from this moment on. */
export const boardStandsMs = 20_000
/** When a change is told, in the states that show one. */
export const boardChangesMs = boardStandsMs + 400
/** How long states that show a change are played. */
export const playedMs: Record<BoardState, number> = {
  nothing: 2000,
  one: 2000,
  usual: 2000,
  full: 2000,
  arrives: 2600,
  reached: 5400,
}

/** What a board is told in a state that is made up: at the beginning, and a change while it stands. */
export function madeUpTelling(
  wants: ReadonlyMap<string, Want>,
  state: BoardState,
  context: MadeUpContext,
): TellingOfBoard {
  return toldAtMoments([...wants].map(([key, want]) => [key, madeUp(want, state, context)]))
}

function toldAtMoments(slices: readonly (readonly [key: string, slices: readonly Slice[]])[]): TellingOfBoard {
  return new Map(
    slices.map(([key, told]) => [key, told.map((slice, index) => ({ atMs: index === 0 ? 0 : boardChangesMs, slice }))]),
  )
}

/** A board as it would be shown, settled; and what its parts want to be told. */
export function useBoardScore(document: Ref<BoxDocument | null>, wanted?: Ref<Dress>) {
  const media = useMediaStore()
  const channel = useChannel()
  const result = computed(() => {
    const scene = document.value && sceneOf(document.value)
    if (!document.value || !scene) return null
    const { canvas, zones } = document.value
    const { look, swaps } = wanted?.value ?? dressAt(document.value, Date.now(), channel.value.timeZone)
    return resolveBoard(scene, { canvas, zones, look, swaps, locale: channel.value.locale, media: media.facts })
  })
  const score = computed<ResolvedScore | null>(() => (result.value?.ok ? result.value.value : null))
  const wants = computed(() => wantsOf(score.value ?? { parts: [] }))
  return { score, wants, fault: computed(() => (result.value && !result.value.ok ? result.value.error : null)) }
}

/**
 * Plays what a board keeps up to date on a stage of the interface: made up for a state, or what is true.
 * @param real what is true, by what parts want; null: made up
 */
export function useBoardPlay(
  wants: Ref<ReadonlyMap<string, Want>>,
  state: Ref<BoardState>,
  real: Ref<ReadonlyMap<string, Slice> | null> = shallowRef(null),
) {
  const channel = useChannel()
  const goals = useGoalsStore()
  onMounted(() => void (goals.view ?? goals.load().catch(() => undefined)))
  const context = computed<MadeUpContext>(() => ({
    nowMs: Date.now(),
    currency: channel.value.currency,
    locale: channel.value.locale,
    goals: [...(goals.view?.goals ?? []), ...(goals.view?.past ?? [])].map(({ goal }) => goalForMadeUp(goal)),
  }))
  const told = computed<TellingOfBoard>(() => {
    const truth = real.value
    if (!truth) return madeUpTelling(wants.value, state.value, context.value)
    return toldAtMoments([...wants.value.keys()].map((key) => [key, truth.get(key) ? [truth.get(key) as Slice] : []]))
  })
  const board: BoardPlay = createBoardPlay(() => ({
    told: told.value,
    wallZeroMs: context.value.nowMs - boardStandsMs,
    locale: channel.value.locale,
    timeZone: channel.value.timeZone,
  }))
  return { board, told }
}

/** Where a state is looked at while it stands: after its change, where it has one. */
export const restOf = (state: BoardState): number => boardStandsMs + (playedMs[state] > 2000 ? playedMs[state] : 0)

/** Draws a stage again whenever its board was told something else. */
export const redrawOn = (told: Ref<TellingOfBoard>, redraw: () => unknown): void => void watch(told, () => redraw())
