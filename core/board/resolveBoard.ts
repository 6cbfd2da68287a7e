import { chosenBy, type BoxDocument } from '../composition/box.ts'
import type { Composition } from '../composition/schema.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { ok, type Result } from '../result.ts'
import { isSeenPart, type ResolvedScore } from '../score/resolved.ts'
import { resolveScore, type ResolveContext } from '../score/resolve.ts'
import type { SolveError } from '../score/solve.ts'

/** So long a board stands: 2⁴⁰ ms are 34 years, and no page lives that long. */
export const boardMs = 2 ** 40

/** A board stands without anybody having done anything. */
const nobody: CanonicalEvent = {
  ...{ kind: 'follow', externalId: 'board', source: 'board', occurredAtMs: 0 },
  data: { viewer: null },
}

/** What a board shows: it keeps its one scene where boxes keep their alerts. */
export const sceneOf = ({ alerts }: Pick<BoxDocument, 'alerts'>): Composition | null =>
  alerts.flatMap((alert) => chosenBy(alert))[0]?.composition ?? null

/**
 * Settles the scene of a board: as a score is settled, but without an end. What comes in does so when the page does; what
 * would leave at the end stays.
 */
export function resolveBoard(
  scene: Composition,
  context: Omit<ResolveContext, 'event' | 'offer'>,
): Result<ResolvedScore, SolveError> {
  const resolved = resolveScore(scene, { ...context, event: nobody })
  if (!resolved.ok) return resolved
  const score = resolved.value
  for (const part of score.parts) {
    if (part.endMs < score.lengthMs) continue
    part.endMs = boardMs
    if (isSeenPart(part)) part.exit = { ...part.exit, ms: 0 }
  }
  for (const clip of Object.values(score.clips)) if (clip.endMs >= score.lengthMs) clip.endMs = boardMs
  return ok({ ...score, lengthMs: boardMs })
}
