import * as z from 'zod'
import { cleanMarkedText, cleanText } from '../text/cleanText.ts'
import { eventKind, type EventKind } from './kinds.ts'

const words = (maximum: number) => z.string().max(maximum).transform(cleanText)
const count = z.int().min(0).max(1_000_000_000)
const tier = z.int().min(1).max(3)
const currency = z.string().regex(/^[A-Z]{3}$/, 'a currency is three capital letters (ISO 4217)')

export const viewer = z.object({
  id: words(200).pipe(z.string().min(1)),
  name: words(500),
  roles: z.array(words(40)).max(20).optional(),
  pictureUrl: z
    .url({ protocol: /^https?$/ })
    .max(2000)
    .optional(),
})

/**
 * Where an emote's picture is: on the platform's servers, or in the address itself. Shown as a picture only, so nothing
 * in it can run.
 */
const emoteUrl = z.union([
  z.url({ protocol: /^https?$/ }).max(2000),
  z
    .string()
    .max(4000)
    .regex(/^data:image\/(svg\+xml|png|gif|webp)[;,]/),
])
const emote = z.object({ from: count, to: count, url: emoteUrl })
const message = z
  .object({ text: z.string().max(2000), emotes: z.array(emote).max(100).optional() })
  // What is taken out of the text would leave the emotes' places on other words.
  .transform(({ text, emotes }) => {
    const cleaned = cleanMarkedText(text, emotes ?? [])
    return { text: cleaned.text, ...(emotes ? { emotes: cleaned.spans } : {}) }
  })

/**
 * `viewer: null` means that somebody anonymous did it. `choice` is the id of what the viewer chose where the alert
 * offered several.
 */
const base = { viewer: viewer.nullable(), message: message.optional(), choice: words(60).optional() }
const money = { amountMinor: count, currency }
const surge = z.object({ ...base, level: count, totalPoints: count })
const membership = z.object({ ...base, levelName: words(200), months: count })
const paid = z.object({ ...base, ...money })
const goal = z.object({ ...base, goalTitle: words(200), targetMinor: count, currency })

/** What each kind of event carries: the `data` of a CloudEvent. */
export const eventData = {
  follow: z.object(base),
  subscription: z.object({ ...base, tier, months: count }),
  resubscription: z.object({ ...base, tier, months: count, streakMonths: count.optional() }),
  giftBatch: z.object({ ...base, tier, count, groupId: words(200) }),
  giftRecipient: z.object({ ...base, tier, recipient: viewer, groupId: words(200) }),
  membership,
  membershipRenewal: membership,
  tip: paid,
  paidMessage: paid,
  charityDonation: paid,
  applause: z.object({ ...base, points: count }),
  raid: z.object({ ...base, partySize: count }),
  purchase: z.object({ ...base, ...money, item: words(200), quantity: count }),
  surgeStarted: surge,
  surgeLevelled: surge,
  surgeEnded: surge,
  goalStarted: goal,
  goalReached: goal,
  redemption: z.object({
    ...base,
    reward: z.object({ id: words(200), title: words(200), costPoints: count }),
    input: words(2000).optional(),
  }),
  chatCommand: z.object({ ...base, command: words(100), arguments: words(2000).optional() }),
  chatMessage: z.object({ ...base, message }),
} satisfies Record<EventKind, z.ZodType>

export type EventDataOf<K extends EventKind> = z.infer<(typeof eventData)[K]>

/** One thing that happened, as the rest of the program sees it. */
export type CanonicalEvent = {
  [K in EventKind]: { kind: K; externalId: string; source: string; occurredAtMs: number; data: EventDataOf<K> }
}[EventKind]

/**
 * Checks `data` against its kind.
 * @throws ZodError with the paths of what does not fit.
 */
export function parseEventData(kind: EventKind, data: unknown): CanonicalEvent['data'] {
  return eventData[eventKind.parse(kind)].parse(data)
}
