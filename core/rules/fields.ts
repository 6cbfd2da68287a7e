import type { Offer } from '../composition/offer.ts'
import { kindNames } from '../events/kindNames.ts'
import { eventKinds, type EventKind } from '../events/kinds.ts'

interface Said {
  id: string
  words: string
  /** Not every event of the kind says it: a message may be missing, an amount may be of a currency without a rate. */
  mayBeMissing: boolean
}
export interface FieldOption {
  value: string
  words: string
}

/** Something about an event that a rule may ask for. */
export type RuleField =
  /** Whole numbers from nought. `unit` follows a number in a sentence. */
  | (Said & { type: 'number'; unit: string })
  /** An amount, compared in minor units of the channel's currency. */
  | (Said & { type: 'money' })
  /** How long, in whole minutes. */
  | (Said & { type: 'span' })
  /** When, on the channel's clock and calendar: see `calendar.ts`. */
  | (Said & { type: 'clock' | 'season' | 'date' })
  | (Said & { type: 'choice'; options: readonly FieldOption[] })
  /** Several of its options may be true at once. */
  | (Said & { type: 'set'; options: readonly FieldOption[] })
  | (Said & { type: 'text' })

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

const number = (id: string, words: string, unit = '', mayBeMissing = false): RuleField => ({
  id,
  type: 'number',
  words,
  unit,
  mayBeMissing,
})
const text = (id: string, words: string, mayBeMissing = false): RuleField => ({ id, type: 'text', words, mayBeMissing })
const choice = (id: string, words: string, options: Record<string, string>, mayBeMissing = false): RuleField => ({
  id,
  type: 'choice',
  words,
  options: Object.entries(options).map(([value, name]) => ({ value, words: name })),
  mayBeMissing,
})

const months = number('months', 'months')
const tier: RuleField = {
  id: 'tier',
  type: 'choice',
  words: 'the tier',
  options: [
    { value: '1', words: 'I' },
    { value: '2', words: 'II' },
    { value: '3', words: 'III' },
  ],
  mayBeMissing: false,
}
const amount: RuleField = { id: 'amount', type: 'money', words: 'the amount', mayBeMissing: true }
const known = choice('viewer', 'the viewer', { named: 'named', anonymous: 'anonymous' })
const message = text('message', 'the message', true)
const level = text('levelName', 'the level')
const surge = [number('level', 'the level'), number('points', 'the total', 'points')]
const goal = text('goal', 'the goal')

const ownFields: Record<EventKind, readonly RuleField[]> = {
  follow: [],
  subscription: [months, tier, message],
  resubscription: [months, tier, number('streak', 'months in a row', '', true), message],
  giftBatch: [number('count', 'the number of gifts', 'gifts'), tier, known],
  giftRecipient: [tier, known],
  membership: [months, level, message],
  membershipRenewal: [months, level, message],
  tip: [amount, known, message],
  paidMessage: [amount, message],
  charityDonation: [amount, known, message],
  applause: [number('points', 'the applause', 'points'), message],
  raid: [number('party', 'the party', 'guests')],
  purchase: [amount, number('count', 'the quantity', 'pieces'), text('item', 'the item')],
  surgeStarted: surge,
  surgeLevelled: surge,
  surgeEnded: surge,
  goalStarted: [amount, goal],
  goalReached: [amount, goal],
  redemption: [
    number('cost', 'the cost', 'points'),
    text('reward', 'the reward'),
    text('input', 'what was typed', true),
  ],
  chatCommand: [text('command', 'the command'), text('arguments', 'what followed', true)],
  chatMessage: [text('message', 'the message')],
}

/** Where events come from, as rules name it; what comes through the interface for scripts is `api`. */
const platformField = choice('platform', 'the platform', {
  alder: 'Alder',
  birch: 'Birch',
  cedar: 'Cedar',
  till: 'Till',
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
  choice('visit', 'for this viewer it', { first: 'the first time', again: 'not the first time' }, true),
  { id: 'since', type: 'span', words: 'the last time', mayBeMissing: true },
]
const timeFields: readonly RuleField[] = [
  { id: 'time', type: 'clock', words: 'the time', mayBeMissing: false },
  choice('weekday', 'the weekday', {
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

const hasNoViewer: ReadonlySet<EventKind> = new Set([
  'surgeStarted',
  'surgeLevelled',
  'surgeEnded',
  'goalStarted',
  'goalReached',
] satisfies EventKind[])

const fieldsOfKind = new Map<EventKind, readonly RuleField[]>(
  eventKinds.map((kind) => [
    kind,
    [...ownFields[kind], platformField, ...(hasNoViewer.has(kind) ? [] : viewerFields), ...timeFields],
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
