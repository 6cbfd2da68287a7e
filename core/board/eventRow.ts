import { kindOf, type EventKind } from '../events/kinds.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { valuesOf } from '../events/variables.ts'
import { fillTemplate } from '../text/fillTemplate.ts'
import type { Row } from './slice.ts'

/** What lists say of an event where nothing else is written. */
export function usualRowWords(kind: EventKind): string {
  const { headline, second } = kindOf(kind).starter
  return `${headline} ${second}`
}

/** An event as a row of a list. Its values are data: nothing in a name or a message is ever read as a template or markup. */
export function eventRow(
  event: CanonicalEvent,
  id: string,
  words: Partial<Record<EventKind, string>>,
  locale: string,
): Row {
  return {
    id,
    atMs: event.occurredAtMs,
    name: '',
    nameInk: null,
    roles: [],
    pieces: fillTemplate(words[event.kind] ?? usualRowWords(event.kind), valuesOf(event), locale),
  }
}
