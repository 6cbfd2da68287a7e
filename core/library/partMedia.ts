import type { Part, PartKind, PartOf } from '../parts/part.ts'

/** What a kind of part has to do with files. */
interface PartMedia<P extends Part> {
  /** The files that it refers to, each once. */
  of(part: P): string[]
  /** It, with one file in the place of another. */
  with(part: P, from: string, to: string): P
}

const none: PartMedia<Part> = { of: () => [], with: (part) => part }

/** One file, or none yet. */
function oneFile<P extends PartOf<'picture' | 'sound'>>(): PartMedia<P> {
  return {
    of: ({ mediaId }) => (mediaId === null ? [] : [mediaId]),
    with: (part, from, to) => (part.mediaId === from ? { ...part, mediaId: to } : part),
  }
}

const particles: PartMedia<PartOf<'particles'>> = {
  of: ({ sprites }) => [...new Set(sprites.flatMap((sprite) => (sprite.from === 'picture' ? [sprite.mediaId] : [])))],
  with: (part, from, to) => ({
    ...part,
    sprites: part.sprites.map((sprite) =>
      sprite.from === 'picture' && sprite.mediaId === from ? { ...sprite, mediaId: to } : sprite,
    ),
  }),
}

/** Every kind of part says what it has to do with files: one that is added cannot be forgotten here. */
const kinds: { [K in PartKind]: PartMedia<PartOf<K>> } = {
  picture: oneFile(),
  sound: oneFile(),
  particles,
  line: none as PartMedia<PartOf<'line'>>,
  message: none as PartMedia<PartOf<'message'>>,
  ticker: none as PartMedia<PartOf<'ticker'>>,
  backdrop: none as PartMedia<PartOf<'backdrop'>>,
  shape: none as PartMedia<PartOf<'shape'>>,
  voice: none as PartMedia<PartOf<'voice'>>,
}

// The table pairs each kind with its own parts; the compiler cannot follow one key through both.
const mediaOf = (part: Part) => kinds[part.kind] as PartMedia<Part>

/** The files that a part refers to, each once. */
export const mediaOfPart = (part: Part): string[] => mediaOf(part).of(part)

/** A part with one file in the place of another; the very same where it does not refer to that. */
export const withMedia = (part: Part, from: string, to: string): Part =>
  mediaOfPart(part).includes(from) ? mediaOf(part).with(part, from, to) : part
