import { resolvePhase } from '../look/resolveStyle.ts'
import type { Look } from '../look/schema.ts'
import type { MediaFacts } from '../score/mediaFacts.ts'
import { readingMs } from './message/readingMs.ts'
import type { Part } from './part.ts'
import { flightMs } from './particles/resolveParticles.ts'

/** What a part's own length depends on. */
export interface NaturalContext {
  media: Readonly<Record<string, MediaFacts>>
  /** What the viewer wrote. */
  messageText: string
  look: Look
  /** How long each voice speaks, by part; absent: none does. */
  spokenMs?: Readonly<Record<string, number>>
}

/**
 * How long a part lasts by itself: a file as long as it plays, a message as long as reading it takes with its entrance
 * and exit, particles as long as they fly, a voice as long as it speaks. Null where there is no such length. A part
 * whose file is missing lasts no time of its own rather than stopping the whole score.
 */
export function naturalMsOf(part: Part, { media, messageText, look, spokenMs }: NaturalContext): number | null {
  switch (part.kind) {
    case 'picture':
    case 'sound': {
      if (part.mediaId === null) return 0
      const facts = media[part.mediaId]
      return facts ? facts.durationMs : 0
    }
    case 'message': {
      const readMs = readingMs(messageText)
      return readMs === 0
        ? 0
        : resolvePhase(part.motion.entrance, look).ms + readMs + resolvePhase(part.motion.exit, look).ms
    }
    case 'voice':
      return spokenMs?.[part.id] ?? 0
    case 'particles':
      return flightMs(part)
    case 'line':
    case 'ticker':
    case 'shape':
    case 'backdrop':
      return null
  }
}
