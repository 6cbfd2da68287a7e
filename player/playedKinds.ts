import {
  isLivePart,
  type ResolvedKinds,
  type ResolvedLivePart,
  type ResolvedPart,
  type ResolvedScore,
  type ResolvedTextPart,
} from '../core/score/resolved.ts'
import { lettersOfCode } from '../core/score/parts/code/lettersOfCode.ts'
import { lettersOfDraw } from '../core/score/parts/draw/lettersOfDraw.ts'
import type { MediaAddress } from '../core/score/mediaFacts.ts'
import { plainText } from '../core/text/textPiece.ts'
import type { TextLayout } from '../core/text/textLayout.ts'
import { paintBackdrop } from './painters/backdrop.ts'
import type { Painter } from './painters/paint.ts'
import { paintPicture } from './painters/picture.ts'
import { paintShape } from './painters/shape.ts'
import { paintText } from './painters/text.ts'
import { paintTicker } from './painters/ticker.ts'
import { loadEmotePicture, loadPicture, loadStill } from './preload/pictures.ts'
import type { FontUse } from './preload/fonts.ts'
import type { PlayedKind, PreparedScore } from './preparedScore.ts'
import { roundOf } from './sound/roundOf.ts'

const noFonts = (): FontUse[] => []

/** Emotes come from the platform's own servers: a play does not wait longer for them. */
const emoteWaitMs = 1500

const picture: PlayedKind<ResolvedKinds['picture']> = {
  load(part, { score, pictures }) {
    if (part.mediaId === null) return []
    return [
      addressOf(score, part.mediaId)
        .then(({ url, mime }) => loadPicture(url, mime, part.naturalMs !== null))
        .then((loaded) => pictures.set(part.id, loaded)),
    ]
  },
  fonts: noFonts,
  paint: (part, { pictures }) => paintPicture(part, pictures.get(part.id)) as Painter,
  builtFrom(part, { pictures }) {
    const loaded = pictures.get(part.id)
    return loaded && identityOf(loaded)
  },
}

/** Not every alert has particles: what paints them comes when one does. */
let paintParticles: typeof import('./painters/particles.ts').paintParticles | null = null

const particles: PlayedKind<ResolvedKinds['particles']> = {
  load: (part, { score, sprites }) => [
    import('./painters/particles.ts').then((painter) => (paintParticles = painter.paintParticles)),
    ...part.sprites.flatMap((sprite): Promise<unknown>[] => {
      if ('emoteUrl' in sprite)
        return [loadEmote(sprite.emoteUrl).then((image) => image && sprites.set(sprite.emoteUrl, image))]
      if (!('mediaId' in sprite)) return []
      return [loadSprite(score, sprite.mediaId, sprites)]
    }),
  ],
  fonts: noFonts,
  paint: (part, { score, sprites }) => (paintParticles?.(part, score.canvas, sprites) as Painter | undefined) ?? null,
  builtFrom: (part, { score, sprites }) => [
    paintParticles !== null,
    score.canvas,
    part.sprites.map((sprite) =>
      'form' in sprite ? '' : sprites.has('mediaId' in sprite ? sprite.mediaId : sprite.emoteUrl),
    ),
  ],
}

/** Words in whatever way: their emotes are loaded, and they wait for being measured. */
const textKind = <R extends ResolvedTextPart>(paint: (part: R, layout: TextLayout) => unknown): PlayedKind<R> => ({
  load: ({ pieces }) => pieces.flatMap(({ emoteUrl }) => (emoteUrl ? [loadEmote(emoteUrl)] : [])),
  // The dots stand where it has to be cut.
  fonts: ({ family, weight, pieces }) => [{ family, weight, letters: `${plainText(pieces)}…` }],
  paint(part, { layouts }) {
    const layout = layouts.get(part.id)
    return layout ? (paint(part, layout) as Painter) : null
  },
  builtFrom: (part, { layouts }) => layouts.get(part.id),
})

/** What is drawn from what it says itself. */
const drawnKind = <R extends ResolvedPart>(paint: (part: R) => unknown): PlayedKind<R> => ({
  load: () => [],
  fonts: noFonts,
  paint: (part) => paint(part) as Painter,
  builtFrom: () => null,
})

const sound: PlayedKind<ResolvedKinds['sound']> = {
  load({ mediaId, startMs, endMs, gainDb, fadeInMs, fadeOutMs, repeats, round }, { score, sounds }, output) {
    if (!output) return []
    return [
      addressOf(score, mediaId)
        .then(({ url }) => output.load(url))
        .then((file) => {
          const buffer = round ? roundOf(file, round) : file
          sounds.push({ buffer, startMs, endMs, gainDb, fadeInMs, fadeOutMs, repeats, isVoice: false })
        }),
    ]
  },
  fonts: noFonts,
  paint: () => null,
  builtFrom: () => null,
}

const voice: PlayedKind<ResolvedKinds['voice']> = {
  load({ utterances }, { sounds }, output) {
    if (!output) return []
    return utterances.map(({ url, startMs, endMs, gainDb, fadeOutMs }) =>
      output
        .load(url)
        .then((buffer) =>
          sounds.push({ buffer, startMs, endMs, gainDb, fadeInMs: 0, fadeOutMs, repeats: false, isVoice: true }),
        ),
    )
  },
  fonts: noFonts,
  paint: () => null,
  builtFrom: () => null,
}

/** Few alerts draw a prize: what paints a draw comes when one does. */
let paintDraw: typeof import('./painters/draw.ts').paintDraw | null = null

const draw: PlayedKind<ResolvedKinds['draw']> = {
  load: ({ prizes }, { score, sprites }) => [
    import('./painters/draw.ts').then((painter) => (paintDraw = painter.paintDraw)),
    ...prizes.flatMap(({ mediaId }) => (mediaId === null ? [] : [loadSprite(score, mediaId, sprites)])),
  ],
  fonts: (part) => [{ family: part.family, weight: part.weight, letters: lettersOfDraw(part) }],
  paint: (part, { sprites }) => (paintDraw?.(part, sprites) as Painter | undefined) ?? null,
  builtFrom: ({ prizes }, { sprites }) => [
    paintDraw !== null,
    ...prizes.map(({ mediaId }) => mediaId !== null && sprites.has(mediaId)),
  ],
}

/** Few alerts have code of their own: what draws it comes when one does. */
let paintCode: typeof import('./painters/code.ts').paintCode | null = null

const fontsOfCode = (part: ResolvedKinds['code']): FontUse[] =>
  Object.values(part.types).map((type) => ({ ...type, letters: lettersOfCode(part) }))

const code: PlayedKind<ResolvedKinds['code']> = {
  load: (part, { score, frameFonts }) => [
    import('./painters/code.ts').then(async (painter) => {
      paintCode = painter.paintCode
      const uses = fontsOfCode(part).flatMap((use) => [
        use,
        ...score.fallbackFamilies.map((family) => ({ ...use, family })),
      ])
      frameFonts.set(part.id, await painter.loadFrameFonts(uses, score))
    }),
  ],
  fonts: fontsOfCode,
  paint: (part, { frameFonts }) => (paintCode?.(part, frameFonts.get(part.id) ?? []) as Painter | undefined) ?? null,
  builtFrom: (part, { frameFonts }) => [
    paintCode !== null,
    frameFonts.get(part.id)?.map(({ family, unicodeRange }) => [family, unicodeRange]),
  ],
}

const playedKinds: { [K in Exclude<keyof ResolvedKinds, ResolvedLivePart['kind']>]: PlayedKind<ResolvedKinds[K]> } = {
  picture,
  particles,
  draw,
  code,
  sound,
  voice,
  line: textKind(paintText),
  message: textKind(paintText),
  ticker: textKind(paintTicker),
  backdrop: drawnKind(paintBackdrop),
  shape: drawnKind(paintShape),
}

/** What boards keep up to date is nothing where there is no board. */
const absent = drawnKind<ResolvedPart>(() => null)

/** How a part is played. The table pairs each kind with its own parts; the compiler cannot follow that. */
export const playedAs = (part: ResolvedPart, { board }: Pick<PreparedScore, 'board'>): PlayedKind<ResolvedPart> =>
  isLivePart(part) ? (board?.playedAs(part) ?? absent) : (playedKinds[part.kind] as PlayedKind<ResolvedPart>)

async function addressOf({ media }: ResolvedScore, mediaId: string): Promise<MediaAddress> {
  const address = media[mediaId]
  if (!address) throw new Error('unknown file')
  return address
}

/** Loads a still that several places may show, by its media id. */
async function loadSprite(score: ResolvedScore, mediaId: string, sprites: PreparedScore['sprites']): Promise<void> {
  const { url } = await addressOf(score, mediaId)
  sprites.set(mediaId, await loadStill(url))
}

/** Null for one that does not come in time; its word stands for it. */
function loadEmote(url: string): Promise<HTMLImageElement | null> {
  return Promise.race([
    loadEmotePicture(url).catch(() => null),
    new Promise<null>((resolve) => setTimeout(resolve, emoteWaitMs, null)),
  ])
}

const identities = new WeakMap<object, number>()
let nextIdentity = 1

/** A number for each loaded file: the same file loaded again after it was missing is another one. */
function identityOf(loaded: object): number {
  const known = identities.get(loaded) ?? nextIdentity++
  identities.set(loaded, known)
  return known
}
