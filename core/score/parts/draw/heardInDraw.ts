import { soundGainDb } from '../../../settle/soundGain.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import type { SolvedClip } from '../../solve.ts'
import type { MomentSound } from '../partDefinition.ts'
import type { ResolvedDraw } from './resolveDraw.ts'
import type { DrawPart } from './schema.ts'
import { liftedRatio } from './strokes.ts'

/** What is heard of a draw: a sound with each stroke, and one when the packet opens. What has no file is silent. */
export function heardInDraw(
  { sounds, trimDb }: DrawPart,
  { strokes, slideFromMs, slidUntilMs, openUntilMs, prizes, row, drawnAt }: ResolvedDraw,
  times: SolvedClip,
  { look, media }: PartContext,
): MomentSound[] {
  const heard = (name: string, mediaId: string | null, startMs: number): MomentSound[] => {
    const facts = mediaId === null ? undefined : media[mediaId]
    if (mediaId === null || !facts) return []
    const endMs = Math.min(times.endMs, startMs + (facts.durationMs ?? 0))
    return endMs > startMs ? [{ name, mediaId, startMs, endMs, gainDb: soundGainDb(facts.level, trimDb, look) }] : []
  }
  const isRare = prizes[row[drawnAt] ?? 0]?.isRare ?? false
  const opensMs = slidUntilMs + (openUntilMs - slidUntilMs) * liftedRatio
  return [
    ...strokes.flatMap(({ from }, index) =>
      heard(`stroke-${index + 1}`, sounds.stroke, slideFromMs + from * (slidUntilMs - slideFromMs)),
    ),
    ...heard('open', isRare ? (sounds.rare ?? sounds.open) : sounds.open, opensMs),
  ]
}
