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

/** A loaf with a heart, drawn small: what a platform's emote is in samples, without any network. */
const emoteUrl =
  'data:image/svg+xml,' +
  encodeURIComponent(
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 28 28"><path d="M3 19C2 10 8 6 14 6s12 4 11 13q0 3-3 3H6q-3 0-3-3Z" fill="#E0964B" stroke="#3A1D0C" stroke-width="1.6"/><path d="M14 19l-4-4a2.4 2.4 0 0 1 4-2.6 2.4 2.4 0 0 1 4 2.6Z" fill="#C4503A"/></svg>',
  )
const emoteWord = 'loafHug'

/** What a sample viewer writes; each word `loafHug` is an emote. */
const sampleMessages: Record<SampleName, string> = {
  everyday: `o pão de centeio é o melhor da noite ${emoteWord}`,
  longest: `I have been watching since the very first batch came out of this oven and I still cannot decide between the rye and the long ferment with the walnuts, so please bake both of them again tomorrow ${emoteWord} and save me a slice of each, thank you all`,
  emoji: `🥐🔥 ${emoteWord} ${emoteWord} 👩‍🍳`,
  rightToLeft: 'الخبز هنا أفضل من أي مكان آخر',
  markup: '<script>alert(1)</script> {name} & co',
}

function messageOf(viewerName: SampleName): { text: string; emotes: { from: number; to: number; url: string }[] } {
  const text = sampleMessages[viewerName]
  return {
    text,
    emotes: [...text.matchAll(new RegExp(emoteWord, 'g'))].map(({ index }) => ({
      from: index,
      to: index + emoteWord.length,
      url: emoteUrl,
    })),
  }
}

/** What each kind usually carries; the sample with long words carries the largest plausible values too. */
function fieldsOf(viewerName: SampleName): { [K in EventKind]: Omit<EventDataOf<K>, 'viewer'> } {
  const message = messageOf(viewerName)
  const isLarge = viewerName === 'longest'
  const large = <T>(usual: T, largest: T) => (isLarge ? largest : usual)
  return {
    follow: {},
    subscription: { tier: large(1, 3), months: 1, message },
    resubscription: { tier: 2, months: large(12, 128), streakMonths: large(7, 96), message },
    giftBatch: { tier: 1, count: large(5, 1000), groupId: 'sample' },
    giftRecipient: {
      tier: 1,
      recipient: { id: 'sample-recipient', name: large('Juno Flint', sampleNames.longest) },
      groupId: 'sample',
    },
    membership: { levelName: large('Night shift', 'Keepers of the very first oven'), months: 1, message },
    membershipRenewal: {
      levelName: large('Night shift', 'Keepers of the very first oven'),
      months: large(3, 60),
      message,
    },
    tip: { amountMinor: large(2500, 123_456_789), currency: 'EUR', message },
    paidMessage: { amountMinor: large(500, 50_000), currency: 'EUR', message },
    charityDonation: { amountMinor: large(1000, 10_000_000), currency: 'EUR', message },
    applause: { points: large(500, 1_000_000), message },
    raid: { partySize: large(64, 250_000) },
    purchase: {
      item: large('Linen apron', 'The enamelled proving bowl with the lantern on its side'),
      quantity: large(1, 12),
      amountMinor: large(2800, 148_000),
      currency: 'EUR',
    },
    surgeStarted: { level: 1, totalPoints: large(1200, 1_200_000) },
    surgeLevelled: { level: large(3, 20), totalPoints: large(8600, 8_600_000) },
    surgeEnded: { level: large(4, 20), totalPoints: large(14_200, 14_200_000) },
    goalStarted: { goalTitle: 'new oven fund', targetMinor: large(120_000, 12_000_000), currency: 'EUR' },
    goalReached: { goalTitle: 'new oven fund', targetMinor: large(120_000, 12_000_000), currency: 'EUR' },
    redemption: {
      reward: { id: 'bell', title: 'Ring the oven bell', costPoints: large(300, 1_000_000) },
      input: large('Crumbelina', sampleMessages.longest),
    },
    chatCommand: { command: '!bell', arguments: large('twice', sampleMessages.longest) },
    chatMessage: { message },
  }
}

/** An event to design and test with: what this kind usually carries, done by the given sample viewer. */
export function sampleEvent<K extends EventKind>(
  kind: K,
  viewerName: SampleName = 'everyday',
  occurredAtMs = 0,
): CanonicalEvent {
  const data = { viewer: { id: `sample-${viewerName}`, name: sampleNames[viewerName] }, ...fieldsOf(viewerName)[kind] }
  // One K at a time the pieces fit by construction; the compiler cannot follow that through the union.
  return { kind, source: 'sample', externalId: `sample-${kind}-${viewerName}`, occurredAtMs, data } as CanonicalEvent
}
