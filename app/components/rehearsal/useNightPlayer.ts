import { onBeforeUnmount, reactive, ref, shallowRef, watch, type Ref } from 'vue'
import { dropOldest } from '../../../core/dropOldest.ts'
import type { ResolvedScore } from '../../../core/score/resolved.ts'
import { prepareScore } from '../../../player/prepare.ts'
import type { PreparedScore } from '../../../player/preparedScore.ts'
import type { Scheduled } from '../../../player/sound/output.ts'
import { createStage, type Stage } from '../../../player/stage.ts'
import { soundOutput } from '../../composables/soundOutput.ts'
import type { Programme, ProgrammePlay } from '../../workers/rehearsalTalk.ts'

/** How many times as fast as it would be. */
export const rates = [1, 2, 4, 8, 16, 30, 60] as const

export const usualRate = 8

/** So many of what comes next are made ready, and so many at once. */
const aheadCount = 5
const atOnce = 2
/** Those of many boxes, and some that were just shown. */
const preparedKept = 120
/** What is said of the moment is said so often. */
const toldEveryMs = 120
/** A page that was hidden does not make up for it. */
const longestFrameMs = 250

const keyOf = ({ boxId, playId }: ProgrammePlay) => `${boxId} ${playId}`

/** The play of a list in order that begins last by a moment; −1: none. */
export function lastBy(plays: readonly { fromMs: number }[], atMs: number): number {
  let from = 0
  let until = plays.length
  while (from < until) {
    const middle = (from + until) >> 1
    if ((plays[middle]?.fromMs ?? Infinity) <= atMs) from = middle + 1
    else until = middle
  }
  return from - 1
}

/**
 * Plays all that a night shows on stages of the on-air player, as fast as is wished, from any moment: what is drawn at a moment is
 * what a source would draw. Nothing of it leaves the page. Sounds are heard at the pace at which they would be, and at no other.
 */
export function useNightPlayer(
  programme: Ref<Programme | null>,
  scoreOf: (boxId: string, playId: string) => Promise<ResolvedScore | null>,
) {
  const rate = ref<number>(usualRate)
  const isPlaying = ref(false)
  const isHeard = ref(false)
  /** The moment, as often as somebody reads it. */
  const atMs = ref(0)
  /** What has the screen, by box. */
  const onScreen = shallowRef<ReadonlyMap<string, ProgrammePlay>>(new Map())
  /** How many were over before they could be drawn. */
  const undrawn = ref(0)
  const canvases = reactive(new Map<string, { widthPx: number; heightPx: number }>())

  const stages = new Map<string, Stage>()
  let byBox = new Map<string, ProgrammePlay[]>()
  let besides: ProgrammePlay[] = []
  let ready = new Map<string, PreparedScore | null>()
  const loading = new Set<string>()
  const sounding = new Map<string, Scheduled>()
  const drawn = new Set<string>()
  let exactMs = 0
  let frame = 0
  let lastFrameMs = 0
  let toldMs = -Infinity

  watch(
    programme,
    (next) => {
      silence()
      ready = new Map()
      loading.clear()
      drawn.clear()
      byBox = new Map()
      besides = []
      for (const play of next?.plays ?? []) {
        if (play.isBeside) besides.push(play)
        else {
          const of = byBox.get(play.boxId)
          if (of) of.push(play)
          else byBox.set(play.boxId, [play])
        }
      }
      if (next && (exactMs < next.fromMs || exactMs > next.overAtMs)) exactMs = next.fromMs
      show()
    },
    { immediate: true },
  )

  /** Puts a box's stage into an element of the page. */
  function mount(boxId: string, host: HTMLElement | null): void {
    const before = stages.get(boxId)
    if (host && before?.root.parentElement === host) return
    before?.clear()
    before?.root.remove()
    stages.delete(boxId)
    if (host) stages.set(boxId, createStage(host))
    show()
  }

  async function load(play: ProgrammePlay): Promise<void> {
    const key = keyOf(play)
    if (ready.has(key) || loading.has(key)) return
    loading.add(key)
    const into = ready
    const score = await scoreOf(play.boxId, play.playId)
    const output = isHeard.value ? soundOutput() : null
    const prepared = score && (await prepareScore(score, output).catch(() => null))
    loading.delete(key)
    // Another night, or another draft, is shown by now.
    if (into !== ready) return
    into.set(key, prepared)
    dropOldest(into, preparedKept)
    if (prepared) canvases.set(play.boxId, prepared.score.canvas)
    // What was waited for is drawn even where nothing moves.
    if (!isPlaying.value) show()
  }

  function prepareAhead(): void {
    const next = [...byBox.values(), besides]
      .flatMap((plays) => {
        const at = Math.max(0, lastBy(plays, exactMs))
        return plays.slice(at, at + aheadCount)
      })
      .filter(({ untilMs }) => untilMs > exactMs)
      .sort((a, b) => a.fromMs - b.fromMs)
    for (const play of next) {
      if (loading.size >= atOnce) return
      void load(play)
    }
  }

  function sound(play: ProgrammePlay, prepared: PreparedScore): void {
    const key = keyOf(play)
    if (rate.value !== 1 || !isHeard.value || !isPlaying.value || sounding.has(key)) return
    const output = soundOutput()
    if (output.state() !== 'on' || prepared.sounds.length === 0) return
    const startsAtMs = performance.now() + output.leadMs()
    sounding.set(key, output.schedule(prepared.sounds, exactMs - play.fromMs, startsAtMs, prepared.score.duck))
  }
  function silence(): void {
    for (const each of sounding.values()) each.stop()
    sounding.clear()
  }

  /** Draws the moment. */
  function show(): void {
    const current = new Map<string, ProgrammePlay>()
    for (const [boxId, plays] of byBox) {
      const play = plays[lastBy(plays, exactMs)]
      const stage = stages.get(boxId)
      if (!play || play.untilMs <= exactMs) {
        stage?.clear()
        continue
      }
      current.set(boxId, play)
      const prepared = ready.get(keyOf(play))
      if (!stage || !prepared) continue
      if (!stage.holds(prepared)) stage.mount(prepared)
      stage.seek(Math.min(Math.round(exactMs - play.fromMs), prepared.score.lengthMs - 1), {
        isRunning: isPlaying.value && rate.value === 1,
      })
      drawn.add(keyOf(play))
      sound(play, prepared)
    }
    const lastBeside = lastBy(besides, exactMs)
    for (const play of besides.slice(Math.max(0, lastBeside - aheadCount), lastBeside + 1)) {
      const prepared = ready.get(keyOf(play))
      if (prepared && play.untilMs > exactMs) sound(play, prepared)
    }
    prepareAhead()
    for (const [boxId, play] of onScreen.value)
      if (isPlaying.value && current.get(boxId) !== play && !drawn.has(keyOf(play))) undrawn.value += 1
    const isSame =
      current.size === onScreen.value.size && [...current].every(([id, play]) => onScreen.value.get(id) === play)
    if (!isSame) onScreen.value = current
    const nowMs = performance.now()
    if (isPlaying.value && nowMs - toldMs < toldEveryMs) return
    toldMs = nowMs
    atMs.value = exactMs
  }

  function run(nowMs: number): void {
    if (!isPlaying.value || !programme.value) return
    exactMs += Math.min(longestFrameMs, nowMs - lastFrameMs) * rate.value
    lastFrameMs = nowMs
    if (exactMs >= programme.value.overAtMs) {
      exactMs = programme.value.overAtMs
      pause()
      return
    }
    show()
    frame = requestAnimationFrame(run)
  }
  function play(): void {
    if (!programme.value || isPlaying.value) return
    if (exactMs >= programme.value.overAtMs) exactMs = programme.value.fromMs
    isPlaying.value = true
    lastFrameMs = performance.now()
    frame = requestAnimationFrame(run)
  }
  function pause(): void {
    isPlaying.value = false
    cancelAnimationFrame(frame)
    silence()
    show()
  }
  function jump(toMs: number): void {
    const { fromMs = 0, overAtMs = 0 } = programme.value ?? {}
    silence()
    drawn.clear()
    onScreen.value = new Map()
    exactMs = Math.min(overAtMs, Math.max(fromMs, toMs))
    lastFrameMs = performance.now()
    toldMs = -Infinity
    show()
  }
  watch(rate, () => {
    silence()
    undrawn.value = 0
  })
  /** Sound needs a click or a key first, which this is. */
  async function hear(is: boolean): Promise<void> {
    isHeard.value = is
    silence()
    if (!is) return
    await soundOutput().resume()
    // What was made ready without its sounds is made ready once more.
    ready = new Map()
    show()
  }
  onBeforeUnmount(() => {
    isPlaying.value = false
    cancelAnimationFrame(frame)
    silence()
    for (const stage of stages.values()) stage.clear()
  })
  return { rate, isPlaying, isHeard, atMs, onScreen, undrawn, canvases, mount, play, pause, jump, hear }
}
