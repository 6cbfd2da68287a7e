import type { Canvas } from '../composition/canvas.ts'
import type { Zone } from '../composition/zone.ts'
import type { Look } from '../look/schema.ts'
import type { MediaFacts } from '../score/mediaFacts.ts'
import type { SpokenParts } from '../speech/spoken.ts'
import type { EmoteSpan } from '../text/messagePieces.ts'
import type { TemplateValues } from '../text/templateValue.ts'

/** What a part is settled with. */
export interface PartContext {
  canvas: Canvas
  look: Look
  zones: readonly Zone[]
  values: TemplateValues
  /** The viewer's message with its emotes; null where this event has none. */
  message: { text: string; emotes: readonly EmoteSpan[] } | null
  media: Readonly<Record<string, MediaFacts>>
  /** What the voices said. */
  spoken: SpokenParts
  locale: string
  /** Decides every draw of this play. */
  seed: number
}
