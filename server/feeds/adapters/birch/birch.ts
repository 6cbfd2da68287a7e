import * as z from 'zod'
import { parseEventData } from '../../../../core/events/schema.ts'
import { minorDigits } from '../../../../core/minorDigits.ts'
import { err, ok, type Result } from '../../../../core/result.ts'
import type { FeedAdapter } from '../../adapter.ts'
import { feedSource } from '../../../../core/events/feedSource.ts'
import {
  messageOf,
  pickedField,
  portraitField,
  understandEach,
  viewerOf,
  watchingField,
  withPicked,
  type Understood,
} from '../../understandEach.ts'

/*
 * Birch nests everything: `{ page: { items: [{ uid, type, ts, author: { profile: { id, title } }, snippet: { … } }] } }`. Times are
 * epoch seconds, amounts are micros of a currency as decimal strings, and the same event comes twice now and then, with its own uid.
 */

const envelope = z.object({ page: z.object({ items: z.array(z.unknown()).min(1).max(500) }) })
const author = z.object({
  profile: z.object({ id: z.string().min(1).max(200), title: z.string().max(2000), image: portraitField }),
  isMember: z.boolean().optional(),
  isKeeper: z.boolean().optional(),
})
const base = { uid: z.string().min(1).max(180), ts: z.number().min(0).max(4_102_444_800), author, picked: pickedField }
const micros = z.string().regex(/^\d{1,18}$/, 'micros are a whole number')
const paid = { micros, currency: z.string().max(10) }
const words = z.string().max(5000).optional()

const item = z.discriminatedUnion('type', [
  z.object({ ...base, type: z.literal('newMember'), snippet: z.object({ level: z.string().max(200), text: words }) }),
  z.object({
    ...base,
    type: z.literal('memberMilestone'),
    snippet: z.object({ level: z.string().max(200), months: z.int(), text: words }),
  }),
  z.object({ ...base, type: z.literal('paidText'), snippet: z.object({ ...paid, text: words }) }),
  z.object({ ...base, type: z.literal('donation'), snippet: z.object({ ...paid, text: words }) }),
  z.object({
    ...base,
    type: z.literal('shopOrder'),
    snippet: z.object({ ...paid, product: z.string().max(200), pieces: z.int() }),
  }),
  z.object({ ...base, type: z.literal('audience'), snippet: z.object({ now: watchingField }) }),
  z.object({ ...base, type: z.literal('chatTaken'), snippet: z.object({ of: z.string().min(1).max(180) }) }),
  z.object({ ...base, type: z.literal('chatText'), snippet: z.object({ text: z.string().max(5000) }) }),
])
type Item = z.infer<typeof item>

/**
 * Micros as minor units, without ever going through a float.
 * @returns an error where they are finer than the currency's smallest unit
 */
export function minorOfMicros(text: string, currency: string): Result<number, string> {
  const perMinor = 10n ** BigInt(6 - minorDigits(currency))
  const all = BigInt(text)
  if (all % perMinor !== 0n) return err(`${text} micros are finer than the smallest unit of ${currency}`)
  const minor = Number(all / perMinor)
  return Number.isSafeInteger(minor) ? ok(minor) : err(`${text} micros are too large`)
}

/** Birch has no list of roles, only what is true of an author. */
function authorOf({ profile, isMember, isKeeper }: z.infer<typeof author>) {
  const roles = [...(isMember ? ['subscriber'] : []), ...(isKeeper ? ['moderator'] : [])]
  return {
    ...viewerOf(profile.id, profile.title),
    ...(roles.length > 0 ? { roles } : {}),
    ...(profile.image ? { pictureUrl: profile.image } : {}),
  }
}

function understand(of: Item, source: string): Result<Understood, string> {
  const viewer = authorOf(of.author)
  const base = { source, externalId: of.uid, occurredAtMs: Math.round(of.ts * 1000) }
  if (of.type === 'newMember')
    return ok({
      ...base,
      kind: 'membership',
      data: parseEventData('membership', {
        viewer,
        levelName: of.snippet.level,
        months: 1,
        ...messageOf(of.snippet.text),
      }),
    })
  if (of.type === 'memberMilestone')
    return ok({
      ...base,
      kind: 'membershipRenewal',
      data: parseEventData('membershipRenewal', {
        viewer,
        levelName: of.snippet.level,
        months: of.snippet.months,
        ...messageOf(of.snippet.text),
      }),
    })
  if (of.type === 'audience') return ok({ watching: of.snippet.now })
  if (of.type === 'chatTaken') return ok({ removal: { source, externalId: of.snippet.of } })
  if (of.type === 'chatText')
    return ok({
      ...base,
      kind: 'chatMessage',
      data: parseEventData('chatMessage', { viewer, message: { text: of.snippet.text.slice(0, 2000) } }),
    })
  const amount = minorOfMicros(of.snippet.micros, of.snippet.currency)
  if (!amount.ok) return amount
  const money = { viewer, amountMinor: amount.value, currency: of.snippet.currency }
  if (of.type === 'shopOrder')
    return ok({
      ...base,
      kind: 'purchase',
      data: parseEventData('purchase', { ...money, item: of.snippet.product, quantity: of.snippet.pieces }),
    })
  const kind = of.type === 'paidText' ? 'paidMessage' : 'charityDonation'
  return ok({ ...base, kind, data: parseEventData(kind, { ...money, ...messageOf(of.snippet.text) }) })
}

export const birch: FeedAdapter = {
  platform: 'birch',
  translate(payload, feedId) {
    const read = envelope.safeParse(payload)
    return read.success
      ? understandEach('page.items', read.data.page.items, item, (one) =>
          withPicked(understand(one, feedSource(feedId)), one.picked),
        )
      : null
  },
}
