import type { EventKind } from './kinds.ts'
import type { CanonicalEvent, EventDataOf } from './schema.ts'

/** Names that show what a design can take: an everyday one, a long one, an emoji, right-to-left, markup. */
export const sampleNames = {
  everyday: 'pip_rye',
  longest: 'the_person_with_an_exceptionally_long_display_name',
  emoji: '🥐wisp',
  rightToLeft: 'نورا_خبز',
  markup: '<b>bold</b>',
} as const
export type SampleName = keyof typeof sampleNames

const message = { text: 'o pão de centeio é o melhor da noite' }

const sampleFields: { [K in EventKind]: Omit<EventDataOf<K>, 'viewer'> } = {
  follow: {},
  subscription: { tier: 1, months: 1, message },
  resubscription: { tier: 2, months: 12, streakMonths: 7, message },
  giftBatch: { tier: 1, count: 5, groupId: 'sample' },
  giftRecipient: { tier: 1, recipient: { id: 'sample-recipient', name: 'Juno Flint' }, groupId: 'sample' },
  membership: { levelName: 'Night shift', months: 1, message },
  membershipRenewal: { levelName: 'Night shift', months: 3, message },
  tip: { amountMinor: 2500, currency: 'EUR', message },
  paidMessage: { amountMinor: 500, currency: 'EUR', message },
  charityDonation: { amountMinor: 1000, currency: 'EUR', message },
  applause: { points: 500, message },
  raid: { partySize: 64 },
  purchase: { item: 'Linen apron', quantity: 1, amountMinor: 2800, currency: 'EUR' },
  surgeStarted: { level: 1, totalPoints: 1200 },
  surgeLevelled: { level: 3, totalPoints: 8600 },
  surgeEnded: { level: 4, totalPoints: 14_200 },
  goalStarted: { goalTitle: 'new oven fund', targetMinor: 120_000, currency: 'EUR' },
  goalReached: { goalTitle: 'new oven fund', targetMinor: 120_000, currency: 'EUR' },
  redemption: { reward: { id: 'bell', title: 'Ring the oven bell', costPoints: 300 }, input: 'Crumbelina' },
  chatCommand: { command: '!bell', arguments: 'twice' },
}

/** An event to design and test with: what this kind usually carries, done by the given sample viewer. */
export function sampleEvent<K extends EventKind>(kind: K, viewerName: SampleName = 'everyday', occurredAtMs = 0): CanonicalEvent {
  const data = { viewer: { id: `sample-${viewerName}`, name: sampleNames[viewerName] }, ...sampleFields[kind] }
  // One K at a time the pieces fit by construction; the compiler cannot follow that through the union.
  return { kind, source: 'sample', externalId: `sample-${kind}-${viewerName}`, occurredAtMs, data } as CanonicalEvent
}
