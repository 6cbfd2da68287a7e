import { eventKinds, kindOf, type EventKind } from '../core/events/kinds.ts'
import type { SoundRole } from '../core/look/schema.ts'
import type { Rule } from '../core/rules/schema.ts'
import type { Words } from './set.ts'

const guests = '{party, plural, one {# guest} other {# guests}}'
const points = '{points, plural, one {# point} other {# points}}'

const written: Partial<Record<EventKind, Words>> = {
  follow: { headline: '{name}', second: 'is following now' },
  subscription: { headline: '{name}', second: 'subscribed, tier {tier}' },
  resubscription: { headline: '{name}', second: 'month {months} with us' },
  giftBatch: { headline: '{name}', second: 'gives {count, plural, one {# subscription} other {# subscriptions}} away' },
  giftRecipient: { headline: '{recipient}', second: 'has a subscription from {name}' },
  membership: { headline: '{name}', second: 'is a member now: {level}' },
  membershipRenewal: { headline: '{name}', second: 'stays a member, month {months}' },
  tip: { headline: '{name}', second: 'tips {amount}' },
  paidMessage: { headline: '{name}', second: 'says it for {amount}' },
  charityDonation: { headline: '{name}', second: 'donates {amount}' },
  applause: { headline: '{name}', second: `claps with ${points}` },
  raid: { headline: '{name}', second: `brings ${guests}` },
  purchase: { headline: '{name}', second: 'bought {item}' },
  surgeStarted: { headline: 'It is surging', second: `level {level}, ${points}` },
  surgeLevelled: { headline: 'Level {level}', second: `${points} together` },
  surgeEnded: { headline: 'What a surge', second: `level {level}, ${points}` },
  goalStarted: { headline: '{goal}', second: 'a new goal: {amount}' },
  goalReached: { headline: '{goal}', second: 'reached: {amount}' },
  sponsorLine: { headline: '{sponsor}', second: '{line}' },
  redemption: { headline: '{reward}', second: 'called by {name}' },
  chatCommand: { headline: '{command}', second: 'called by {name}' },
  chatMessage: { headline: '{name}', second: 'says in the chat' },
}

/** What alerts of a kind say where a set has no words of its own. */
export const plainWords = (kind: EventKind): Words => written[kind] ?? kindOf(kind).starter

/** A special case of an alert, asked before the everyday one. */
interface CasePlan {
  id: string
  name: string
  rule: Rule
  isGreat: boolean
  /** Whose words it has, where not its alert's. */
  wordsOf?: EventKind
  second?: string
}

interface AlertPlan {
  kinds: [EventKind, ...EventKind[]]
  role: SoundRole
  hasMessage?: boolean
  /** It can be read aloud. */
  isRead?: boolean
  /** Made ready, and switched on by whoever wants it: it would play very often. */
  isOff?: boolean
  cases?: CasePlan[]
  /** What it says where several have become one, under the name of the first. */
  several?: string
}

const number = (field: string, is: 'atLeast' | 'exactly', value: number): Rule => ({
  match: 'all',
  of: [{ field, is, value }],
})
const ofKind = (kind: EventKind): Rule => ({ match: 'all', of: [{ field: 'kind', is: 'oneOf', values: [kind] }] })

const planned: readonly AlertPlan[] = [
  {
    kinds: ['follow'],
    role: 'arrival',
    several: 'and {others, plural, one {# more is} other {# more are}} following now',
  },
  { kinds: ['subscription'], role: 'support', hasMessage: true },
  {
    kinds: ['resubscription'],
    role: 'support',
    hasMessage: true,
    isRead: true,
    cases: [
      {
        id: 'year',
        name: 'A whole year',
        rule: number('months', 'exactly', 12),
        isGreat: true,
        second: 'a whole year with us',
      },
      {
        id: 'years',
        name: 'Two years and more',
        rule: number('months', 'atLeast', 24),
        isGreat: true,
        second: '{months} months with us',
      },
    ],
  },
  {
    kinds: ['giftBatch'],
    role: 'support',
    several: 'and {others} more give {count} subscriptions away',
    cases: [{ id: 'many', name: 'Twenty and more', rule: number('count', 'atLeast', 20), isGreat: true }],
  },
  { kinds: ['giftRecipient'], role: 'support', isOff: true },
  { kinds: ['membership'], role: 'support', hasMessage: true },
  { kinds: ['membershipRenewal'], role: 'support', hasMessage: true, isRead: true },
  {
    kinds: ['tip'],
    role: 'support',
    hasMessage: true,
    isRead: true,
    several: 'and {others} more tip {total} together',
    cases: [
      { id: 'huge', name: 'A hundred and more', rule: number('amount', 'atLeast', 10_000), isGreat: true },
      { id: 'large', name: 'Twenty and more', rule: number('amount', 'atLeast', 2000), isGreat: false },
    ],
  },
  { kinds: ['paidMessage'], role: 'support', hasMessage: true, isRead: true },
  { kinds: ['charityDonation'], role: 'support', hasMessage: true, isRead: true },
  { kinds: ['applause'], role: 'support' },
  {
    kinds: ['raid'],
    role: 'crowd',
    cases: [{ id: 'crowd', name: 'Fifty guests and more', rule: number('party', 'atLeast', 50), isGreat: true }],
  },
  { kinds: ['purchase'], role: 'support' },
  {
    kinds: ['surgeLevelled', 'surgeStarted', 'surgeEnded'],
    role: 'crowd',
    cases: [
      { id: 'begins', name: 'It begins', rule: ofKind('surgeStarted'), isGreat: true, wordsOf: 'surgeStarted' },
      { id: 'ends', name: 'It ends', rule: ofKind('surgeEnded'), isGreat: true, wordsOf: 'surgeEnded' },
    ],
  },
  {
    kinds: ['goalReached', 'goalStarted'],
    role: 'crowd',
    cases: [{ id: 'begins', name: 'It begins', rule: ofKind('goalStarted'), isGreat: false, wordsOf: 'goalStarted' }],
  },
  { kinds: ['redemption'], role: 'arrival' },
  { kinds: ['chatCommand'], role: 'arrival' },
  { kinds: ['chatMessage'], role: 'arrival', isOff: true, hasMessage: true },
]

/** The alerts of every set: every kind of event has one; one for which nothing is planned arrives. */
export const plans: readonly AlertPlan[] = [
  ...planned,
  ...eventKinds
    .filter((kind) => !planned.some(({ kinds }) => kinds.includes(kind)))
    .map((kind): AlertPlan => ({ kinds: [kind], role: 'arrival' })),
]
