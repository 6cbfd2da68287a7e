import type { ResolvedScore } from '../core/score/resolved.ts'
import { layoutTexts } from './layoutTexts.ts'
import { playedAs } from './playedKinds.ts'
import { loadFonts, type FontUse } from './preload/fonts.ts'
import type { BoardPlay, PreparedScore } from './preparedScore.ts'
import type { SoundLoader } from './sound/output.ts'

/**
 * Loads fonts, pictures and sounds at the same time, then fits the text. Never rejects for a file that is missing or
 * broken.
 * @param board plays what boards keep up to date; null: it is left out
 */
export async function prepareScore(
  score: ResolvedScore,
  output: SoundLoader | null,
  board: BoardPlay | null | undefined = null,
): Promise<PreparedScore> {
  const prepared: PreparedScore = {
    score,
    board: board ?? null,
    layouts: new Map(),
    pictures: new Map(),
    sprites: new Map(),
    frameFonts: new Map(),
    sounds: [],
    missing: [],
  }
  const loading: Promise<unknown>[] = [
    loadFonts(fontUses(prepared), score.fonts).then((families) =>
      prepared.missing.push(...families.map((family) => `font ${family}`)),
    ),
  ]
  for (const part of score.parts) {
    const noteMissing = () => prepared.missing.push(`${part.kind} ${part.id}`)
    for (const load of playedAs(part, prepared).load(part, prepared, output)) loading.push(load.catch(noteMissing))
  }
  await Promise.all(loading)
  prepared.layouts = layoutTexts(score, !prepared.missing.some((each) => each.startsWith('font ')))
  return prepared
}

/** The letters that a score draws, in which type, with what stands in where a typeface lacks them. */
export function fontUses(prepared: PreparedScore): FontUse[] {
  const { score } = prepared
  return score.parts.flatMap((part) =>
    playedAs(part, prepared)
      .fonts(part)
      .flatMap((use) => [use, ...score.fallbackFamilies.map((family) => ({ ...use, family }))]),
  )
}
