import type { MotionName } from '../composition/motion.ts'
import { bounce, easeIn, easeOut, linear, spring, type Easing } from './easing.ts'

/** What a motion does to a part at one moment. Offsets are in canvas pixels at a canvas 1080 high. */
export interface MotionState {
  offsetX: number
  offsetY: number
  scale: number
  opacity: number
}

export const atRest: Readonly<MotionState> = { offsetX: 0, offsetY: 0, scale: 1, opacity: 1 }

/**
 * A motion as data: where the part comes from (and, on leaving, goes to), how the way there is eased in each direction,
 * and over which part of the phase it becomes opaque.
 */
interface MotionTrack {
  away: MotionState
  enter: Easing
  leave: Easing
  opaqueAtRatio: number
}

const swing = spring(0.42)
const tracks: Record<MotionName, MotionTrack> = {
  none: { away: { ...atRest }, enter: linear, leave: linear, opaqueAtRatio: 0 },
  fade: { away: { ...atRest, opacity: 0 }, enter: linear, leave: linear, opaqueAtRatio: 1 },
  rise: { away: { ...atRest, offsetY: 90, opacity: 0 }, enter: easeOut, leave: easeIn, opaqueAtRatio: 0.6 },
  sink: { away: { ...atRest, offsetY: -90, opacity: 0 }, enter: easeOut, leave: easeIn, opaqueAtRatio: 0.6 },
  fromLeft: { away: { ...atRest, offsetX: -420, opacity: 0 }, enter: easeOut, leave: easeIn, opaqueAtRatio: 0.5 },
  fromRight: { away: { ...atRest, offsetX: 420, opacity: 0 }, enter: easeOut, leave: easeIn, opaqueAtRatio: 0.5 },
  zoom: { away: { ...atRest, scale: 0.4, opacity: 0 }, enter: easeOut, leave: easeIn, opaqueAtRatio: 0.5 },
  spring: { away: { ...atRest, scale: 0.3, opacity: 0 }, enter: swing, leave: easeIn, opaqueAtRatio: 0.15 },
  drop: { away: { ...atRest, offsetY: -520, opacity: 0 }, enter: bounce, leave: easeIn, opaqueAtRatio: 0.12 },
}

function between(track: MotionTrack, along: number, opaque: number): MotionState {
  const back = 1 - along
  return {
    offsetX: track.away.offsetX * back,
    offsetY: track.away.offsetY * back,
    scale: 1 + (track.away.scale - 1) * back,
    opacity: 1 + (track.away.opacity - 1) * (1 - opaque),
  }
}

/** The part while it enters. @param progress 0…1 through the entrance; 1 is exactly at rest. */
export function enteringState(name: MotionName, progress: number): MotionState {
  if (progress >= 1) return atRest
  const track = tracks[name]
  return between(track, track.enter(progress), Math.min(1, progress / Math.max(track.opaqueAtRatio, 1e-9)))
}

/** The part while it leaves. @param progress 0…1 through the exit; 0 is exactly at rest, 1 is away. */
export function leavingState(name: MotionName, progress: number): MotionState {
  if (progress <= 0) return atRest
  const track = tracks[name]
  const opaque = 1 - Math.max(0, (progress - (1 - track.opaqueAtRatio)) / Math.max(track.opaqueAtRatio, 1e-9))
  return between(track, 1 - track.leave(progress), Math.min(1, opaque))
}
