import { atRest, neutralState, type MotionState } from './motionState.ts'
import type { KeyframeTrack } from './keyframes.ts'
import { phaseStateAt, type PhasedClip } from './phaseMotion.ts'
import { trackValueAt } from './trackValueAt.ts'

/** A clip with its phases and its keyframes. */
export interface MovedClip extends PhasedClip {
  keyframes: readonly KeyframeTrack[]
}

/**
 * What motion does to a part at a moment inside its clip: its phase, and its keyframes on top (offsets and angles add,
 * scale and opacity multiply). Linear in the number of tracks, logarithmic in their frames.
 */
export function motionAt(part: MovedClip, tMs: number): MotionState {
  const phase = phaseStateAt(part, tMs)
  if (part.keyframes.length === 0) return phase
  const state = phase === atRest ? neutralState() : phase
  const intoMs = tMs - part.startMs
  for (const { property, frames } of part.keyframes) {
    const value = trackValueAt(frames, intoMs)
    if (property === 'offsetX') state.offsetX += value
    else if (property === 'offsetY') state.offsetY += value
    else if (property === 'rotationDeg') state.rotationDeg += value
    else if (property === 'scale') state.scale *= Math.max(0, value)
    else if (property === 'opacity') state.opacity *= Math.min(1, Math.max(0, value))
  }
  return state
}

/** What the keyframes do to a picture's colours at a moment of its clip; null where none of them touches colour. */
export function keyedTintAt(
  part: MovedClip,
  tMs: number,
): { hueDeg: number; saturation: number; brightness: number } | null {
  let tint: { hueDeg: number; saturation: number; brightness: number } | null = null
  for (const { property, frames } of part.keyframes) {
    if (property !== 'hueDeg' && property !== 'saturation' && property !== 'brightness') continue
    tint ??= { hueDeg: 0, saturation: 1, brightness: 1 }
    tint[property] = trackValueAt(frames, tMs - part.startMs)
  }
  return tint
}
