import type { ResolvedScore } from '../core/score/resolved.ts'
import type { LineLayout } from '../core/score/sceneState.ts'
import { layoutLines } from './layoutLines.ts'
import { loadFonts, type FontUse } from './preload/fonts.ts'
import { loadPicture } from './preload/pictures.ts'
import type { LoadedSound, SoundOutput } from './sound/output.ts'

/** A score with everything it needs decoded and measured: it can start in the next frame. */
export interface PreparedScore {
  score: ResolvedScore
  layouts: Map<string, LineLayout>
  pictures: Map<string, HTMLImageElement>
  sounds: LoadedSound[]
  /** Names of parts and families whose files could not be loaded. The rest plays without them. */
  missing: string[]
}

/** Loads fonts, pictures and sounds at the same time, then fits the text. Never rejects for a file that is missing or broken. */
export async function prepareScore(score: ResolvedScore, output: SoundOutput | null): Promise<PreparedScore> {
  const pictures = new Map<string, HTMLImageElement>()
  const sounds: LoadedSound[] = []
  const missing: string[] = []
  const loading: Promise<unknown>[] = [loadFonts(fontUses(score)).then((families) => missing.push(...families.map((family) => `font ${family}`)))]
  for (const part of score.parts) {
    if (part.kind !== 'picture' && part.kind !== 'sound') continue
    if (part.mediaId === null || (part.kind === 'sound' && output === null)) continue
    const url = score.media[part.mediaId]?.url
    const noteMissing = () => missing.push(`${part.kind} ${part.id}`)
    if (!url) noteMissing()
    else if (part.kind === 'picture') loading.push(loadPicture(url).then((picture) => pictures.set(part.id, picture), noteMissing))
    else if (output) {
      const { startMs, endMs, gainDb } = part
      loading.push(output.load(url).then((buffer) => sounds.push({ buffer, startMs, endMs, gainDb }), noteMissing))
    }
  }
  await Promise.all(loading)
  return { score, layouts: layoutLines(score), pictures, sounds, missing }
}

function fontUses(score: ResolvedScore): FontUse[] {
  const uses: FontUse[] = []
  for (const part of score.parts) {
    if (part.kind !== 'line') continue
    const letters = part.pieces.map((piece) => piece.text).join('')
    uses.push({ family: part.family, weight: part.weight, letters: `${letters}…` })
    for (const family of score.fallbackFamilies) uses.push({ family, weight: part.weight, letters })
  }
  return uses
}
