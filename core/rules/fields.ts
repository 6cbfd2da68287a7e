import type { Offer } from '../composition/offer.ts'
import { kindNames } from '../events/kindNames.ts'
import { eventKinds, kindOf, type EventKind } from '../events/kinds.ts'
import { platforms } from '../events/platforms.ts'
import { choiceField, type RuleField } from './ruleField.ts'

export type { RuleField }

/**
 * What is asked of events when a rule is asked: the kinds that an alert listens to, and what it offers. An alert is
 * one.
 */
export interface Listener {
  kinds: readonly EventKind[]
  offer: Offer | null
}

/** Beyond it no count, sum or amount is told apart. */
export const largestNumber = 1_000_000_000

/** Where events come from, as rules name it; what comes through the interface for scripts is `api`. */
const platformField = choiceField('platform', 'the platform', {
  ...Object.fromEntries(Object.entries(platforms).map(([id, { name }]) => [id, name])),
  api: 'a script',
})
const viewerFields: readonly RuleField[] = [
  {
    id: 'role',
    type: 'set',
    words: 'the viewer’s role',
    options: [
      { value: 'subscriber', words: 'subscriber' },
      { value: 'vip', words: 'VIP' },
      { value: 'moderator', words: 'moderator' },
    ],
    mayBeMissing: false,
  },
  choiceField('visit', 'for this viewer it', { first: 'the first time', again: 'not the first time' }, true),
  { id: 'since', type: 'span', words: 'the last time', mayBeMissing: true },
]
const timeFields: readonly RuleField[] = [
  { id: 'time', type: 'clock', words: 'the time', mayBeMissing: false },
  choiceField('weekday', 'the weekday', {
    monday: 'Monday',
    tuesday: 'Tuesday',
    wednesday: 'Wednesday',
    thursday: 'Thursday',
    friday: 'Friday',
    saturday: 'Saturday',
    sunday: 'Sunday',
  }),
  { id: 'season', type: 'season', words: 'the day', mayBeMissing: false },
  { id: 'date', type: 'date', words: 'the date', mayBeMissing: false },
]
/** The choice values of `weekday`, Monday first. */
export const weekdays = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'] as const

const fieldsOfKind = new Map<EventKind, readonly RuleField[]>(
  eventKinds.map((kind) => [
    kind,
    [
      ...kindOf(kind).fields.map(({ field }) => field),
      platformField,
      ...(kindOf(kind).isWithoutViewer ? [] : viewerFields),
      ...timeFields,
    ],
  ]),
)
const saidByKind = new Map<EventKind, ReadonlySet<string>>(
  eventKinds.map((kind) => [kind, new Set(['kind', 'choice', ...(fieldsOfKind.get(kind) ?? []).map(({ id }) => id)])]),
)

/** Whether events of a kind can say a field at all. */
export const saysField = (kind: EventKind, id: string): boolean => saidByKind.get(kind)?.has(id) ?? false

/** Every comparison of a decision asks for its field; an alert is never changed in place. */
const fieldsOfListener = new WeakMap<Listener, readonly RuleField[]>()

/**
 * What rules may ask of the events of an alert: what any of its kinds says, which kind it is where there are several,
 * and what the viewer chose where the alert offers something. The first numeric one is the axis on which its coverage
 * is drawn.
 */
export function fieldsOf(listener: Listener): readonly RuleField[] {
  const { kinds, offer } = listener
  const [first] = kinds
  if (kinds.length === 1 && first && !offer) return fieldsOfKind.get(first) ?? []
  const known = fieldsOfListener.get(listener)
  if (known) return known
  const fields = new Map<string, RuleField>()
  if (kinds.length > 1)
    fields.set('kind', {
      id: 'kind',
      type: 'choice',
      words: 'the event',
      options: kinds.map((value) => ({ value, words: kindNames[value] })),
      mayBeMissing: false,
    })
  for (const kind of kinds)
    for (const field of fieldsOfKind.get(kind) ?? []) if (!fields.has(field.id)) fields.set(field.id, field)
  if (offer)
    fields.set('choice', {
      id: 'choice',
      type: 'choice',
      words: 'what the viewer chose',
      options: offer.options.map(({ id, label }) => ({ value: id, words: label })),
      mayBeMissing: true,
    })
  const made = [...fields.values()]
  fieldsOfListener.set(listener, made)
  return made
}

export const fieldOf = (listener: Listener, id: string): RuleField | null =>
  fieldsOf(listener).find((field) => field.id === id) ?? null
