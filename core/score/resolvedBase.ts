import type { Place } from '../composition/place.ts'
import type { MovedClip } from '../motion/motionAt.ts'

/** A part with its roles, template and anchors settled: plain JSON. Times in milliseconds, lengths in canvas pixels. */
export interface ResolvedBase {
  id: string
  startMs: number
  endMs: number
}

export interface ResolvedVisible extends ResolvedBase, MovedClip {
  place: Place
  opacity: number
  rotationDeg: number
}
