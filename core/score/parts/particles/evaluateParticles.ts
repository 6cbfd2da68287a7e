import type { Canvas } from '../../../composition/canvas.ts'
import { motionAt } from '../../../motion/motionAt.ts'
import { motionScale } from '../../standing.ts'
import type { VisualBase } from '../../visualBase.ts'
import type { ResolvedParticles } from './resolveParticles.ts'

export interface ParticlesState extends VisualBase {
  kind: 'particles'
  /** How long the emitter has been running, in milliseconds: with its field this gives every particle. */
  intoMs: number
}

/** The emitter at a moment inside its clip: a layer as large as the canvas, moved and faded as one. */
export function evaluateParticles(part: ResolvedParticles, tMs: number, canvas: Canvas): ParticlesState {
  const motion = motionAt(part, tMs)
  const reach = motionScale(canvas)
  return {
    kind: 'particles',
    partId: part.id,
    matrix: [1, 0, 0, 1, motion.offsetX * reach, motion.offsetY * reach],
    widthPx: canvas.widthPx,
    heightPx: canvas.heightPx,
    opacity: part.opacity * motion.opacity,
    blurPx: 0,
    cut: null,
    intoMs: tMs - part.startMs,
  }
}
