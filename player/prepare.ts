import { isTextPart, type ResolvedPart, type ResolvedScore } from '../core/score/resolved.ts'
import type { TextLayout } from '../core/text/textLayout.ts'
import { plainText } from '../core/text/textPiece.ts'
import { layoutTexts } from './layoutTexts.ts'
import { loadFonts, type FontUse } from './preload/fonts.ts'
import { loadPicture, loadStill, type LoadedPicture } from './preload/pictures.ts'
import type { LoadedSound, SoundOutput } from './sound/output.ts'

/** A score with everything it needs decoded and measured: it can start in the next frame. */
export interface PreparedScore {
  score: ResolvedScore
  layouts: Map<string, TextLayout>
  /** By part id. */
  pictures: Map<string, LoadedPicture>
  /** What particles are made of, by media id or address. */
  sprites: Map<string, HTMLImageElement>
  sounds: LoadedSound[]
  /** Names of parts and families whose files could not be loaded. The rest plays without them. */
  missing: string[]
}

/** Emotes come from the platform's own servers: a play does not wait longer for them. */
const emoteWaitMs = 1500

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
    for (const load of filesOf(part, prepared, output)) loading.push(load.catch(noteMissing))
  }
  await Promise.all(loading)
  prepared.layouts = layoutTexts(score, !prepared.missing.some((each) => each.startsWith('font ')))
  return prepared
}

/** What a part needs loaded; each promise puts what it loaded where it belongs. */
function filesOf(
  part: ResolvedPart,
  { score, pictures, sprites, sounds }: PreparedScore,
  output: SoundOutput | null,
): Promise<unknown>[] {
  if (part.kind === 'picture') {
    if (part.mediaId === null) return []
    const address = score.media[part.mediaId]
    if (!address) return [Promise.reject(new Error('unknown file'))]
    return [
      loadPicture(address.url, address.mime, part.naturalMs !== null).then((picture) => pictures.set(part.id, picture)),
    ]
  }
  if (part.kind === 'sound') {
    if (!output) return []
    const address = score.media[part.mediaId]
    if (!address) return [Promise.reject(new Error('unknown file'))]
    const { startMs, endMs, gainDb, fadeInMs, fadeOutMs, repeats } = part
    return [
      output
        .load(address.url)
        .then((buffer) =>
          sounds.push({ buffer, startMs, endMs, gainDb, fadeInMs, fadeOutMs, repeats, isVoice: false }),
        ),
    ]
  }
  if (part.kind === 'voice') {
    if (!output) return []
    return part.utterances.map(({ url, startMs, endMs, gainDb, fadeOutMs }) =>
      output
        .load(url)
        .then((buffer) =>
          sounds.push({ buffer, startMs, endMs, gainDb, fadeInMs: 0, fadeOutMs, repeats: false, isVoice: true }),
        ),
    )
  }
  if (part.kind === 'particles') {
    return part.sprites.flatMap((sprite) => {
      if ('emoteUrl' in sprite)
        return [loadEmote(sprite.emoteUrl).then((image) => image && sprites.set(sprite.emoteUrl, image))]
      if (!('mediaId' in sprite)) return []
      const address = score.media[sprite.mediaId]
      return address
        ? [loadStill(address.url).then((image) => sprites.set(sprite.mediaId, image))]
        : [Promise.reject(new Error('unknown file'))]
    })
  }
  if (isTextPart(part)) return part.pieces.flatMap((piece) => (piece.emoteUrl ? [loadEmote(piece.emoteUrl)] : []))
  return []
}

/** Null for one that does not come in time; its word stands for it. */
function loadEmote(url: string): Promise<HTMLImageElement | null> {
  return Promise.race([
    loadStill(url).catch(() => null),
    new Promise<null>((resolve) => setTimeout(resolve, emoteWaitMs, null)),
  ])
}

function fontUses(score: ResolvedScore): FontUse[] {
  const uses: FontUse[] = []
  for (const part of score.parts) {
    if (!isTextPart(part)) continue
    const letters = plainText(part.pieces)
    uses.push({ family: part.family, weight: part.weight, letters: `${letters}…` })
    for (const family of score.fallbackFamilies) uses.push({ family, weight: part.weight, letters })
  }
  return uses
}
