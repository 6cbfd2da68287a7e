import type { ResolvedScore } from '../core/score/resolved.ts'
import { layoutTexts } from './layoutTexts.ts'
import { playedAs } from './playedKinds.ts'
import { loadFonts, type FontUse } from './preload/fonts.ts'
import type { PreparedScore } from './preparedScore.ts'
import type { SoundOutput } from './sound/output.ts'

/**
 * Loads fonts, pictures and sounds at the same time, then fits the text. Never rejects for a file that is missing or
 * broken.
 */
export async function prepareScore(score: ResolvedScore, output: SoundOutput | null): Promise<PreparedScore> {
  const prepared: PreparedScore = {
    score,
    layouts: new Map(),
    pictures: new Map(),
    sprites: new Map(),
    sounds: [],
    missing: [],
  }
  const loading: Promise<unknown>[] = [
    loadFonts(fontUses(score), score.fonts).then((families) =>
      prepared.missing.push(...families.map((family) => `font ${family}`)),
    ),
  ]
  for (const part of score.parts) {
    const noteMissing = () => prepared.missing.push(`${part.kind} ${part.id}`)
    for (const load of playedAs(part).load(part, prepared, output)) loading.push(load.catch(noteMissing))
  }
  await Promise.all(loading)
  prepared.layouts = layoutTexts(score, !prepared.missing.some((each) => each.startsWith('font ')))
  return prepared
}

function fontUses(score: ResolvedScore): FontUse[] {
  return score.parts.flatMap((part) =>
    playedAs(part)
      .fonts(part)
      .flatMap((use) => [use, ...score.fallbackFamilies.map((family) => ({ ...use, family }))]),
  )
}
