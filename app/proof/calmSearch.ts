import type { Composition } from '../../core/composition/schema.ts'
import { calmed } from '../../core/edit/calmed.ts'
import type { FlashFinding } from '../../core/flash/flashMeter.ts'
import { isSeenPart, type ResolvedScore } from '../../core/score/resolved.ts'

type Calmer = { partId: string; share: number }[]

const shares = [0.75, 0.5, 0.35, 0.25, 0.15, 0.08] as const

/**
 * The smallest change of how opaque parts are that leaves no flash: of the part alone without which there is none, else of all
 * that are seen while it flashes. Draws the play at most once for each part and each share.
 * @param flashesOf draws a play and looks for flashes
 * @returns null where even that does not help
 */
export async function calmSearch(
  composition: Composition,
  resolve: (composition: Composition) => ResolvedScore | null,
  flashesOf: (score: ResolvedScore, without?: ReadonlySet<string>) => Promise<FlashFinding[]>,
  found: readonly FlashFinding[],
): Promise<Calmer | null> {
  const score = resolve(composition)
  if (!score) return null
  const seen = score.parts
    .filter(isSeenPart)
    .filter(({ startMs, endMs }) => found.some(({ fromMs, untilMs }) => startMs <= untilMs && endMs >= fromMs))
    .map(({ id }) => id)
  const culprits: string[] = []
  for (const id of seen) if ((await flashesOf(score, new Set([id]))).length === 0) culprits.push(id)
  const [culprit] = culprits
  for (const parts of culprit === undefined ? [seen] : [[culprit], seen]) {
    for (const share of shares) {
      const calmer = parts.map((partId) => ({ partId, share }))
      const tried = resolve(calmed(composition, calmer))
      if (tried && (await flashesOf(tried)).length === 0) return calmer
    }
  }
  return null
}
