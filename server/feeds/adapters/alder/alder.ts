import * as z from 'zod'
import { emoteUrl } from '../../../../core/events/dataParts.ts'
import { parseEventData } from '../../../../core/events/schema.ts'
import { ok, type Result } from '../../../../core/result.ts'
import type { FeedAdapter } from '../../adapter.ts'
import { feedSource } from '../../../../core/events/feedSource.ts'
import {
  messageOf,
  messageOfPieces,
  pickedField,
  portraitField,
  understandEach,
  viewerOf,
  watchingField,
  withPicked,
  type Understood,
} from '../../understandEach.ts'

/*
 * Alder delivers entries: `{ entries: [{ id, topic, moment, person, detail }] }`. Ids are ULIDs, tiers are Roman numerals, and
 * gifts come as one entry for the batch followed by one for each person who received one. `person: null` wants to stay unknown.
 * What is said in the chat comes in pieces, words and emotes.
 */

const envelope = z.object({ entries: z.array(z.unknown()).min(1).max(500) })
const person = z.object({
  uid: z.string().min(1).max(200),
  handle: z.string().max(2000),
  badges: z.array(z.string().max(40)).max(20).optional(),
  /** The colour of the handle. */
  tint: z
    .string()
    .regex(/^#[0-9a-fA-F]{6}$/)
    .optional()
    .catch(undefined),
  portrait: portraitField,
})
const numerals = { I: 1, II: 2, III: 3 } as const
const tier = z.enum(['I', 'II', 'III']).transform((numeral) => numerals[numeral])
const words = z.string().max(5000).optional()
const base = {
  id: z.string().regex(/^[0-9A-HJKMNP-TV-Z]{26}$/, 'the id is no ULID'),
  moment: z.iso.datetime({ offset: true }),
  person: person.nullable(),
  picked: pickedField,
}
/** Words, or an emote by its word with its picture. */
const piece = z.union([
  z.object({ words: z.string().max(2000) }).transform(({ words: text }) => ({ text })),
  z
    .object({ emote: z.string().min(1).max(100), picture: emoteUrl })
    .transform(({ emote: text, picture }) => ({ text, picture })),
])
const level = z.object({ step: z.int(), sum: z.int() })

const entry = z.discriminatedUnion('topic', [
  z.object({ ...base, topic: z.literal('standing.started'), detail: z.object({ tier, words }) }),
  z.object({
    ...base,
    topic: z.literal('standing.renewed'),
    detail: z.object({ tier, months: z.int(), run: z.int().optional(), words }),
  }),
  z.object({
    ...base,
    topic: z.literal('gift.batch'),
    detail: z.object({ tier, pieces: z.int(), batch: z.string().max(200) }),
  }),
  z.object({
    ...base,
    topic: z.literal('gift.single'),
    detail: z.object({ tier, to: person, batch: z.string().max(200) }),
  }),
  z.object({
    ...base,
    topic: z.literal('points.redeemed'),
    detail: z.object({
      reward: z.object({ id: z.string().max(200), name: z.string().max(200), price: z.int() }),
      typed: z.string().max(5000).optional(),
    }),
  }),
  z.object({ ...base, topic: z.literal('points.clapped'), detail: z.object({ points: z.int(), words }) }),
  z.object({ ...base, topic: z.literal('surge.begin'), detail: level }),
  z.object({ ...base, topic: z.literal('surge.step'), detail: level }),
  z.object({ ...base, topic: z.literal('surge.end'), detail: level }),
  z.object({
    ...base,
    topic: z.literal('chat.command'),
    detail: z.object({ word: z.string().max(100), rest: z.string().max(5000).optional() }),
  }),
  z.object({ ...base, topic: z.literal('chat.removed'), detail: z.object({ line: z.string().min(1).max(400) }) }),
  z.object({ ...base, topic: z.literal('audience'), detail: z.object({ present: watchingField }) }),
  z.object({ ...base, topic: z.literal('chat.silenced'), detail: z.object({ uid: z.string().min(1).max(200) }) }),
  z.object({ ...base, topic: z.literal('chat.line'), detail: z.object({ pieces: z.array(piece).min(1).max(100) }) }),
])
type Entry = z.infer<typeof entry>

const typedMax = 2000

function personOf(by: z.infer<typeof person> | null) {
  return (
    by && {
      ...viewerOf(by.uid, by.handle),
      ...(by.badges ? { roles: by.badges } : {}),
      ...(by.tint ? { colour: by.tint } : {}),
      ...(by.portrait ? { pictureUrl: by.portrait } : {}),
    }
  )
}

function understand(of: Entry, source: string): Result<Understood, string> {
  const viewer = personOf(of.person)
  const base = { source, externalId: of.id, occurredAtMs: Date.parse(of.moment) }
  switch (of.topic) {
    case 'standing.started':
      return ok({
        ...base,
        kind: 'subscription',
        data: parseEventData('subscription', {
          viewer,
          tier: of.detail.tier,
          months: 1,
          ...messageOf(of.detail.words),
        }),
      })
    case 'standing.renewed': {
      const { tier: ofTier, months, run, words: said } = of.detail
      return ok({
        ...base,
        kind: 'resubscription',
        data: parseEventData('resubscription', {
          viewer,
          tier: ofTier,
          months,
          ...(run === undefined ? {} : { streakMonths: run }),
          ...messageOf(said),
        }),
      })
    }
    case 'gift.batch':
      return ok({
        ...base,
        kind: 'giftBatch',
        data: parseEventData('giftBatch', {
          viewer,
          tier: of.detail.tier,
          count: of.detail.pieces,
          groupId: of.detail.batch,
        }),
      })
    case 'gift.single':
      return ok({
        ...base,
        kind: 'giftRecipient',
        data: parseEventData('giftRecipient', {
          viewer,
          tier: of.detail.tier,
          recipient: personOf(of.detail.to),
          groupId: of.detail.batch,
        }),
      })
    case 'points.redeemed': {
      const { reward, typed } = of.detail
      return ok({
        ...base,
        kind: 'redemption',
        data: parseEventData('redemption', {
          viewer,
          reward: { id: reward.id, title: reward.name, costPoints: reward.price },
          ...(typed ? { input: typed.slice(0, typedMax) } : {}),
        }),
      })
    }
    case 'points.clapped':
      return ok({
        ...base,
        kind: 'applause',
        data: parseEventData('applause', { viewer, points: of.detail.points, ...messageOf(of.detail.words) }),
      })
    case 'surge.begin':
    case 'surge.step':
    case 'surge.end': {
      const kind = (
        { 'surge.begin': 'surgeStarted', 'surge.step': 'surgeLevelled', 'surge.end': 'surgeEnded' } as const
      )[of.topic]
      return ok({
        ...base,
        kind,
        data: parseEventData(kind, { viewer, level: of.detail.step, totalPoints: of.detail.sum }),
      })
    }
    case 'chat.command':
      return ok({
        ...base,
        kind: 'chatCommand',
        data: parseEventData('chatCommand', {
          viewer,
          command: of.detail.word,
          ...(of.detail.rest ? { arguments: of.detail.rest.slice(0, typedMax) } : {}),
        }),
      })
    case 'audience':
      return ok({ watching: of.detail.present })
    case 'chat.removed':
      return ok({ removal: { source, externalId: of.detail.line } })
    case 'chat.silenced':
      return ok({ removal: { source, viewerId: of.detail.uid } })
    case 'chat.line':
      return ok({
        ...base,
        kind: 'chatMessage',
        data: parseEventData('chatMessage', { viewer, ...messageOfPieces(of.detail.pieces) }),
      })
  }
}

export const alder: FeedAdapter = {
  platform: 'alder',
  translate(payload, feedId) {
    const read = envelope.safeParse(payload)
    return read.success
      ? understandEach('entries', read.data.entries, entry, (one) =>
          withPicked(understand(one, feedSource(feedId)), one.picked),
        )
      : null
  },
}
