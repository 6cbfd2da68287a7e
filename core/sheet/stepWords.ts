import type { CanonicalEvent } from '../events/schema.ts'
import { valuesOf } from '../events/variables.ts'
import { fillTemplate } from '../text/fillTemplate.ts'
import type { TemplateValues } from '../text/templateValue.ts'
import { plainText } from '../text/textPiece.ts'
import type { Called } from '../triggers/calledEvent.ts'

/** What words of a run sheet know. */
export interface StepWordsContext {
  event: CanonicalEvent
  called: Pick<Called, 'name' | 'cost' | 'input'>
  /** What the channel counts, by name. */
  counters: ReadonlyMap<string, number>
  /** What the viewer has of the channel's points. */
  points: number
  /** BCP 47. */
  locale: string
}

/**
 * Words with what is known of a run in them: `{name}`, `{reward}`, `{cost}`, `{input}`, what the event carries, what the
 * channel counts, and `{points}`: those of the viewer, but of an event that tells points (applause, a surge) its own.
 */
export function stepWords(words: string, { event, called, counters, points, locale }: StepWordsContext): string {
  const counted: TemplateValues = Object.fromEntries([...counters].map(([name, value]) => [nameOfCounter(name), value]))
  const { name, cost, input } = called
  const values = { points, ...counted, ...valuesOf(event), reward: name, cost, input }
  return plainText(fillTemplate(words, values, locale))
    .replace(/\s+/g, ' ')
    .trim()
}

/** A counter's name as words have it. */
export const nameOfCounter = (name: string): string => name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '_')
