import { bounce, easeIn, easeInOut, easeOut, easingOf, linear, spring, type Easing } from './easing.ts'
import type { EasingSpec } from './easingSpec.ts'
import { atRest, neutralState, type MotionState } from './motionState.ts'
import type { MotionName, Phase } from './schema.ts'

/**
 * A motion as data: where the part comes from (and, on leaving, goes to), how the way there is eased in each direction,
 * and over which part of the phase it becomes opaque.
 */
interface PhaseTrack {
  away: Partial<MotionState>
  enter: Easing
  leave: Easing
  opaqueAtRatio: number
}

const swing = spring(0.42)
const pendulum = spring(0.28)
const soft = { enter: easeOut, leave: easeIn }
const tracks: Record<MotionName, PhaseTrack> = {
  none: { away: {}, enter: linear, leave: linear, opaqueAtRatio: 0 },
  fade: { away: { opacity: 0 }, enter: linear, leave: linear, opaqueAtRatio: 1 },
  rise: { away: { offsetY: 90, opacity: 0 }, ...soft, opaqueAtRatio: 0.6 },
  sink: { away: { offsetY: -90, opacity: 0 }, ...soft, opaqueAtRatio: 0.6 },
  fromLeft: { away: { offsetX: -420, opacity: 0 }, ...soft, opaqueAtRatio: 0.5 },
  fromRight: { away: { offsetX: 420, opacity: 0 }, ...soft, opaqueAtRatio: 0.5 },
  slideLeft: { away: { outX: -1 }, ...soft, opaqueAtRatio: 0 },
  slideRight: { away: { outX: 1 }, ...soft, opaqueAtRatio: 0 },
  slideTop: { away: { outY: -1 }, ...soft, opaqueAtRatio: 0 },
  slideBottom: { away: { outY: 1 }, ...soft, opaqueAtRatio: 0 },
  zoom: { away: { scale: 0.4, opacity: 0 }, ...soft, opaqueAtRatio: 0.5 },
  loom: { away: { scale: 2.2, opacity: 0, blurPx: 10 }, ...soft, opaqueAtRatio: 0.7 },
  spring: { away: { scale: 0.3, opacity: 0 }, enter: swing, leave: easeIn, opaqueAtRatio: 0.15 },
  drop: { away: { offsetY: -520, opacity: 0 }, enter: bounce, leave: easeIn, opaqueAtRatio: 0.12 },
  roll: { away: { outX: -1, rotationDeg: -540 }, enter: easeOut, leave: easeIn, opaqueAtRatio: 0 },
  turn: { away: { rotationDeg: -180, scale: 0.2, opacity: 0 }, ...soft, opaqueAtRatio: 0.4 },
  swing: { away: { rotationDeg: 38, opacity: 0 }, enter: pendulum, leave: easeIn, opaqueAtRatio: 0.12 },
  unfold: { away: { cutTop: 0.5, cutBottom: 0.5 }, enter: easeInOut, leave: easeInOut, opaqueAtRatio: 0 },
  wipe: { away: { cutRight: 1 }, enter: easeInOut, leave: easeInOut, opaqueAtRatio: 0 },
  focus: { away: { blurPx: 24, opacity: 0 }, ...soft, opaqueAtRatio: 0.6 },
}

function between({ away }: PhaseTrack, along: number, opaque: number): MotionState {
  const back = 1 - along
  const state = neutralState()
  if (away.offsetX !== undefined) state.offsetX = away.offsetX * back
  if (away.offsetY !== undefined) state.offsetY = away.offsetY * back
  if (away.outX !== undefined) state.outX = away.outX * back
  if (away.outY !== undefined) state.outY = away.outY * back
  if (away.scale !== undefined) state.scale = 1 + (away.scale - 1) * back
  if (away.rotationDeg !== undefined) state.rotationDeg = away.rotationDeg * back
  if (away.opacity !== undefined) state.opacity = 1 + (away.opacity - 1) * (1 - opaque)
  // What cannot be less than nothing stops there where an easing overshoots.
  if (away.blurPx !== undefined) state.blurPx = Math.max(0, away.blurPx * back)
  if (away.cutTop !== undefined) state.cutTop = Math.max(0, away.cutTop * back)
  if (away.cutRight !== undefined) state.cutRight = Math.max(0, away.cutRight * back)
  if (away.cutBottom !== undefined) state.cutBottom = Math.max(0, away.cutBottom * back)
  return state
}

/** The part while it enters. @param progress 0…1 through the entrance; 1 is exactly at rest. */
export function enteringState(name: MotionName, progress: number, easing: EasingSpec | null = null): MotionState {
  if (progress >= 1) return atRest
  const track = tracks[name]
  const ease = easing === null ? track.enter : easingOf(easing)
  return between(track, ease(progress), Math.min(1, progress / Math.max(track.opaqueAtRatio, 1e-9)))
}

/** The part while it leaves. @param progress 0…1 through the exit; 0 is exactly at rest, 1 is away. */
export function leavingState(name: MotionName, progress: number, easing: EasingSpec | null = null): MotionState {
  if (progress <= 0) return atRest
  const track = tracks[name]
  const ease = easing === null ? track.leave : easingOf(easing)
  const opaque = 1 - Math.max(0, (progress - (1 - track.opaqueAtRatio)) / Math.max(track.opaqueAtRatio, 1e-9))
  return between(track, 1 - ease(progress), Math.min(1, opaque))
}

/** A visible part's time and phases, settled. */
export interface PhasedClip {
  startMs: number
  endMs: number
  entrance: Phase
  exit: Phase
}

/** What the phases do to a part at a moment inside its clip. */
export function phaseStateAt(clip: PhasedClip, tMs: number): MotionState {
  const intoMs = tMs - clip.startMs
  if (intoMs < clip.entrance.ms)
    return enteringState(clip.entrance.motion, intoMs / clip.entrance.ms, clip.entrance.easing)
  const leftMs = clip.endMs - tMs
  if (leftMs < clip.exit.ms) return leavingState(clip.exit.motion, 1 - leftMs / clip.exit.ms, clip.exit.easing)
  return atRest
}
