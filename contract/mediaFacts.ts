import type { Measured } from './media.ts'
import { levelledBy } from '../core/audio/level.ts'
import type { MediaFacts } from '../core/score/mediaFacts.ts'
import { marginOf } from '../core/score/marginOf.ts'

/** Where a media file is served: its address is its content, so it never changes. */
export function mediaUrl(id: string): string {
  return `/media/${id}`
}

/** A file as the engine knows it. */
export function factsOf({ id, mime, durationMs, measured }: { id: string; mime: string; durationMs: number | null; measured: Measured | null }): MediaFacts {
  const facts: MediaFacts = { url: mediaUrl(id), mime, durationMs }
  if (measured?.of === 'sound') facts.level = measured.loudness && levelledBy(measured.loudness, measured.durationMs)
  if (measured?.of === 'picture' && measured.seen?.ink) facts.margin = marginOf(measured.seen.ink, measured)
  return facts
}
