import type { Composition } from '../composition/schema.ts'
import { resolvePhase } from '../look/resolveStyle.ts'
import type { NaturalContext } from './parts/partDefinition.ts'
import { kindOfPart } from './parts/partKinds.ts'
import { isVisiblePart } from './parts/part.ts'
import type { Result } from '../result.ts'
import { solveScore, type SolvedScore, type SolveError } from './solve.ts'

/** Solves a composition's anchors with what is known of its media and of what the viewer wrote. */
export function solveComposition(composition: Composition, context: NaturalContext): Result<SolvedScore, SolveError> {
  return solveScore(
    composition.parts.map((part) => ({
      id: part.id,
      clip: part.clip,
      entranceMs: isVisiblePart(part) ? resolvePhase(part.motion.entrance, context.look).ms : 0,
      exitMs: isVisiblePart(part) ? resolvePhase(part.motion.exit, context.look).ms : 0,
      naturalMs: kindOfPart(part).naturalMs(part, context),
    })),
    composition.length,
  )
}
