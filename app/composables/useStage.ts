import { onBeforeUnmount, ref, shallowRef, watch, type Ref } from 'vue'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import type { SceneState } from '../../core/score/sceneState.ts'
import { playScore, type Playback } from '../../player/playback.ts'
import { prepareScore } from '../../player/prepare.ts'
import type { BoardPlay, PreparedScore } from '../../player/preparedScore.ts'
import { createStage, type Stage } from '../../player/stage.ts'
import { soundOutput } from './soundOutput.ts'

const emptyScene: SceneState = { visuals: [], sounds: [] }
/** How much of the sound is heard at each step of the playhead. */
const scrubMs = 110

/** A stretch of the score that is played again and again. */
export interface LoopRange {
  fromMs: number
  toMs: number
}

interface StageOptions {
  isHeard: Ref<boolean>
  /** Where the playhead stands before anybody moves it; also where it goes when playing ends. */
  restingMs: (score: ResolvedScore) => number
  loop?: Ref<LoopRange | null>
  /** Plays what a board keeps up to date; absent: there is none. */
  board?: BoardPlay
  /** Where playing ends before the score does; null: it does not. */
  untilMs?: Ref<number | null>
}

/**
 * Mounts the on-air player into `host` and keeps it showing `score`. The stage is never an imitation: what it draws at
 * a moment is what a source draws at that moment.
 */
export function useStage(host: Ref<HTMLElement | undefined>, score: Ref<ResolvedScore | null>, options: StageOptions) {
  const tMs = ref(0)
  const isPlaying = ref(false)
  const isLoading = ref(false)
  const scene = shallowRef<SceneState>(emptyScene)
  const prepared = shallowRef<PreparedScore | null>(null)
  let stage: Stage | null = null
  let playback: Playback | null = null
  let silenceScrub: (() => void) | null = null
  let hasBeenMoved = false
  let isGone = false

  /** Sound is loaded only where it may be heard: a page that nobody has touched yet may not make any. */
  const wantsSound = () => options.isHeard.value && navigator.userActivation.hasBeenActive

  async function load(next: ResolvedScore | null): Promise<void> {
    if (!next || !stage) return
    const slow = setTimeout(() => (isLoading.value = true), 300)
    const ready = await prepareScore(next, wantsSound() ? soundOutput() : null, options.board)
    clearTimeout(slow)
    isLoading.value = false
    if (score.value !== next) return
    prepared.value = ready
    if (!hasBeenMoved) tMs.value = options.restingMs(next)
    // A score changed while it plays goes on from where it is, in its new form.
    if (isPlaying.value) start(tMs.value)
    else draw(Math.min(tMs.value, next.lengthMs - 1))
  }

  function draw(atMs: number): void {
    if (!stage || !prepared.value) return
    tMs.value = Math.max(0, Math.round(atMs))
    // Scrubbing only seeks; the parts are built again when the score is another one, or was taken off after playing.
    if (!stage.holds(prepared.value)) stage.mount(prepared.value)
    scene.value = stage.seek(tMs.value)
  }

  function seek(atMs: number): void {
    hasBeenMoved = true
    stop()
    draw(Math.min(Math.max(0, atMs), (prepared.value?.score.lengthMs ?? 1) - 1))
  }

  /** Seeks, and lets the moment be heard: a short piece of every sound that sounds there. */
  function scrub(atMs: number): void {
    seek(atMs)
    silenceScrub?.()
    silenceScrub = null
    const sounds = prepared.value?.sounds ?? []
    if (!options.isHeard.value || sounds.length === 0 || soundOutput().state() !== 'on') return
    const pieces = sounds.map((sound) => ({ ...sound, endMs: Math.min(sound.endMs, tMs.value + scrubMs) }))
    silenceScrub = soundOutput().schedule(
      pieces,
      tMs.value,
      performance.now() + soundOutput().leadMs(),
      prepared.value?.score.duck,
    ).stop
  }

  function start(fromMs: number): void {
    if (!stage || !prepared.value) return
    playback?.stop()
    stage.mount(prepared.value)
    isPlaying.value = true
    const restMs = options.restingMs(prepared.value.score)
    const until = options.loop?.value
    playback = playScore(stage, prepared.value, options.isHeard.value ? soundOutput() : null, fromMs, {
      onFrame: (atMs) => {
        tMs.value = atMs
        if (until && atMs >= until.toMs) start(until.fromMs)
        else if (atMs >= (options.untilMs?.value ?? Infinity)) rest()
      },
      onEnded: () => {
        if (options.loop?.value) return start(options.loop.value.fromMs)
        rest()
      },
    })
    function rest(): void {
      playback?.stop()
      playback = null
      isPlaying.value = false
      hasBeenMoved = false
      draw(restMs)
    }
  }

  /**
   * Plays from a moment, from the start (of the loop, where there is one) if none is given. Sound needs a click or a
   * key first, which this is.
   */
  async function play(fromMs = options.loop?.value?.fromMs ?? 0): Promise<void> {
    const next = score.value
    if (!next) return
    if (options.isHeard.value) {
      const output = soundOutput()
      await output.resume()
      const isSilent = prepared.value?.score === next && prepared.value.sounds.length === 0
      if (isSilent) prepared.value = await prepareScore(next, output)
      if (score.value !== next) return
    }
    start(fromMs)
  }

  function stop(): void {
    if (!isPlaying.value) return
    playback?.stop()
    playback = null
    isPlaying.value = false
    draw(tMs.value)
  }

  watch(
    host,
    (element) => {
      if (!element || stage || isGone) return
      stage = createStage(element)
      void load(score.value)
    },
    { immediate: true, flush: 'post' },
  )
  watch(score, (next) => void load(next))
  onBeforeUnmount(() => {
    playback?.stop()
    silenceScrub?.()
    // What is still loading finds no stage to draw on.
    stage?.clear()
    stage?.root.remove()
    stage = null
    isGone = true
  })

  /** Draws the same moment again: what parts were told is something else by now. */
  const redraw = () => isPlaying.value || draw(tMs.value)
  return { tMs, isPlaying, isLoading, scene, prepared, play, stop, seek, scrub, redraw }
}
