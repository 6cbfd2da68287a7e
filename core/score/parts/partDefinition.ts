import type { Size } from '../../composition/size.ts'
import type { Look } from '../../look/schema.ts'
import type { PartContext } from '../../settle/partContext.ts'
import type { MediaFacts } from '../mediaFacts.ts'
import type { ResolvedBase } from '../resolvedBase.ts'
import type { SoundRound } from '../soundRound.ts'
import type { SolvedClip } from '../solve.ts'

/** What a part's own length depends on. */
export interface NaturalContext {
  media: Readonly<Record<string, MediaFacts>>
  /** What the viewer wrote. */
  messageText: string
  look: Look
  /** How long each voice speaks, by part; absent: none does. */
  spokenMs?: Readonly<Record<string, number>>
}

/** What a kind of part has to do with files. */
export interface PartFiles<P> {
  /** The files that it refers to, each once. */
  of(part: P): string[]
  /** It, with one file in the place of another. */
  with(part: P, from: string, to: string): P
}

/** A sound at a moment of a part that can be seen. Times on the score's clock. */
export interface MomentSound {
  name: string
  mediaId: string
  startMs: number
  endMs: number
  gainDb: number
  /** Over how long it goes down at its end; absent: not at all. */
  fadeOutMs?: number
  /** It begins again with each round of what is seen; absent: it is heard once. */
  round?: SoundRound
}

/** All that the program knows of a kind of part while it is composed, beside its schema. */
export interface PartDefinition<P, R extends ResolvedBase> {
  /** Settles one that is not hidden; null for what can neither be seen nor heard. */
  resolve(part: P, times: SolvedClip, context: PartContext): R | null
  /** What is heard of one that can be seen, by names of its own; absent: nothing. */
  heard?(part: P, resolved: R, times: SolvedClip, context: PartContext): MomentSound[]
  /**
   * How long it lasts by itself, in milliseconds; null where there is no such length. One whose file is missing lasts no
   * time of its own rather than stopping the whole score.
   */
  naturalMs(part: P, context: NaturalContext): number | null
  /** The letters that it shows once it is settled: fonts that its own lacks them for are chosen by these. */
  letters(resolved: R): string
  files: PartFiles<P>
  /** What stands on its clip. */
  caption(part: P): string
  /** Why nobody will ever notice it, as an adjective, beside that it is hidden or has no file; null where somebody will. */
  unnoticed(part: P): string | null
  /** Whether it stands where its place says; what is only heard, what hugs and what flies everywhere does not. */
  hasOwnPlace(part: P): boolean
  /** The room that it is given when it is new; null for what is put where its kind says. */
  usualSize(part: P): Size | null
}

/** Of kinds that refer to no file. */
export const noFiles = <P>(): PartFiles<P> => ({ of: () => [], with: (part) => part })

/** Of kinds with one file, or none yet. */
export const oneFile = <P extends { mediaId: string | null }>(): PartFiles<P> => ({
  of: ({ mediaId }) => (mediaId === null ? [] : [mediaId]),
  with: (part, from, to) => (part.mediaId === from ? { ...part, mediaId: to } : part),
})

/** As long as its file plays. */
export function fileMs({ mediaId }: { mediaId: string | null }, { media }: NaturalContext): number | null {
  if (mediaId === null) return 0
  const facts = media[mediaId]
  return facts ? facts.durationMs : 0
}

/** Why nobody sees what could be seen. */
export const unseen = ({ opacity }: { opacity: number }): string | null => (opacity === 0 ? 'wholly transparent' : null)
