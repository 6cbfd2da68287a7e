import { combineTints, noTint, type Tint } from '../../../colour/tint.ts'
import type { Canvas } from '../../../composition/canvas.ts'
import { keyedTintAt } from '../../../motion/motionAt.ts'
import { standingAt } from '../../standing.ts'
import type { VisualBase } from '../../visualBase.ts'
import type { ResolvedPicture } from './resolvePicture.ts'

export interface PictureState extends VisualBase {
  kind: 'picture'
  tint: Tint | null
  /** Which moment of the file is shown; 0 for stills. */
  frameMs: number
}

/** The picture at a moment inside its clip. */
export function evaluatePicture(part: ResolvedPicture, tMs: number, canvas: Canvas): PictureState {
  const keyed = keyedTintAt(part, tMs)
  const state = standingAt(part, part, tMs, canvas, part.isMirrored ? -1 : 1) as PictureState
  state.kind = 'picture'
  state.tint = keyed ? combineTints(part.tint ?? noTint, keyed) : part.tint
  state.frameMs = frameMsAt(part, tMs - part.startMs)
  return state
}

function frameMsAt({ naturalMs, repeats, isEndless }: ResolvedPicture, intoMs: number): number {
  if (naturalMs === null || naturalMs <= 0) return 0
  if (isEndless) return intoMs
  return repeats === 'loop' ? intoMs % naturalMs : Math.min(intoMs, naturalMs - 1)
}
