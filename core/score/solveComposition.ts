import type { Composition } from '../composition/schema.ts'
import { isVisiblePart } from '../parts/part.ts'
import type { Result } from '../result.ts'
import type { MediaFacts } from './mediaFacts.ts'
import { solveScore, type SolvedScore, type SolveError } from './solve.ts'

/** Solves a composition's anchors with what is known of its media. */
export function solveComposition(composition: Composition, media: Readonly<Record<string, MediaFacts>>): Result<SolvedScore, SolveError> {
  return solveScore(
    composition.parts.map((part) => ({
      id: part.id,
      clip: part.clip,
      entranceMs: isVisiblePart(part) ? part.motion.entrance.ms : 0,
      exitMs: isVisiblePart(part) ? part.motion.exit.ms : 0,
      naturalMs: 'mediaId' in part ? naturalLengthMs(part.mediaId, media) : null,
    })),
    composition.length,
  )
}

/** A part without media, or with a file that is gone, lasts no time of its own rather than stopping the whole score. */
function naturalLengthMs(mediaId: string | null, media: Readonly<Record<string, MediaFacts>>): number | null {
  if (mediaId === null) return 0
  const facts = media[mediaId]
  return facts ? facts.durationMs : 0
}
