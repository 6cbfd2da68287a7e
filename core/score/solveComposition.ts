import type { Composition } from '../composition/schema.ts'
import { naturalMsOf, type NaturalContext } from '../parts/naturalMs.ts'
import { isVisiblePart } from '../parts/part.ts'
import type { Result } from '../result.ts'
import { solveScore, type SolvedScore, type SolveError } from './solve.ts'

/** Solves a composition's anchors with what is known of its media and of what the viewer wrote. */
export function solveComposition(composition: Composition, context: NaturalContext): Result<SolvedScore, SolveError> {
  return solveScore(
    composition.parts.map((part) => ({
      id: part.id,
      clip: part.clip,
      entranceMs: isVisiblePart(part) ? part.motion.entrance.ms : 0,
      exitMs: isVisiblePart(part) ? part.motion.exit.ms : 0,
      naturalMs: naturalMsOf(part, context),
    })),
    composition.length,
  )
}
