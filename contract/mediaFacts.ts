import type { Measured, SoundMeasured } from './media.ts'
import { levelledBy, type MeasuredLevel } from '../core/audio/level.ts'
import { isShelved } from '../core/look/fontShelf.ts'
import type { MediaFacts } from '../core/score/mediaFacts.ts'
import { marginOf } from '../core/score/marginOf.ts'

/** Where a media file is served: its address is its content, so it never changes. */
export function mediaUrl(id: string): string {
  return `/media/${id}`
}

/** The level of a measured sound; null for silence. */
export function levelOf({
  loudness,
  durationMs,
  leadingSilenceMs,
  trailingSilenceMs,
}: SoundMeasured): MeasuredLevel | null {
  return loudness && levelledBy(loudness, durationMs - leadingSilenceMs - trailingSilenceMs)
}

/** A file as the engine knows it. */
export function factsOf({
  id,
  mime,
  durationMs,
  measured,
}: {
  id: string
  mime: string
  durationMs: number | null
  measured: Measured | null
}): MediaFacts {
  const facts: MediaFacts = { url: mediaUrl(id), mime, durationMs }
  if (measured?.of === 'sound') facts.level = levelOf(measured)
  if (measured?.of === 'picture' && measured.ownSound?.heard) {
    const { heard, startsMs } = measured.ownSound
    facts.level = levelOf(heard)
    facts.ownSound = { startsMs, durationMs: heard.durationMs }
  }
  if (measured?.of === 'picture' && measured.isEndless) facts.isEndless = true
  if (measured?.of === 'picture' && measured.seen?.ink) facts.margin = marginOf(measured.seen.ink, measured)
  if (measured?.of === 'font') {
    facts.family = ownFamily(measured.family)
    facts.weights = measured.weights
  }
  return facts
}

/** A channel's own font that is called like one that ships is told apart from it. */
function ownFamily(family: string): string {
  return isShelved(family) ? `${family}, own` : family
}
