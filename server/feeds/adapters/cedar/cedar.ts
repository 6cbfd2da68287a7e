import * as z from 'zod'
import { parseDecimalAmount } from '../../../../core/money.ts'
import { parseEventData } from '../../../../core/events/schema.ts'
import { err, ok, type Result } from '../../../../core/result.ts'
import { digest } from '../../digest.ts'
import type { FeedAdapter } from '../../adapter.ts'
import { feedSource } from '../../../../core/events/feedSource.ts'
import { messageOf, pickedField, understandEach, viewerOf, withPicked, type Understood } from '../../understandEach.ts'

/*
 * Cedar delivers notices in an envelope: `{ sent_at, notices: [{ what, at, who, … }] }`. Raids and tips carry a `ref`; new
 * follows carry none, so theirs is derived from who followed and in which minute. Notices may come in any order.
 */

const envelope = z.object({
  sent_at: z.iso.datetime({ offset: true }).optional(),
  notices: z.array(z.unknown()).min(1).max(500),
})
const who = z.object({
  ref: z.string().min(1).max(200),
  shown_as: z.string().max(2000),
  standing: z.enum(['keeper', 'guest', 'regular']).optional().catch(undefined),
})
const at = z.iso.datetime({ offset: true })
const ref = z.string().min(1).max(180)

const notice = z.discriminatedUnion('what', [
  z.object({ what: z.literal('new_follow'), at, who }),
  z.object({ what: z.literal('raid'), ref, at, who, brought: z.int() }),
  z.object({
    what: z.literal('tip'),
    ref,
    at,
    who: who.nullable(),
    sum: z.string().max(40),
    money: z.string().max(10),
    words: z.string().max(5000).optional(),
    picked: pickedField,
  }),
])
type Notice = z.infer<typeof notice>

/** What Cedar calls the standing of a person, as a role. */
const roleOfStanding = { keeper: 'moderator', guest: 'vip', regular: 'subscriber' } as const
const personOf = (by: z.infer<typeof who> | null) =>
  by && { ...viewerOf(by.ref, by.shown_as), ...(by.standing ? { roles: [roleOfStanding[by.standing]] } : {}) }

function understand(of: Notice, source: string): Result<Understood, string> {
  const occurredAtMs = Date.parse(of.at)
  switch (of.what) {
    case 'new_follow': {
      const externalId = `follow-${digest(of.who.ref, Math.floor(occurredAtMs / 60_000))}`
      return ok({
        source,
        externalId,
        kind: 'follow',
        occurredAtMs,
        data: parseEventData('follow', { viewer: personOf(of.who) }),
      })
    }
    case 'raid': {
      const data = parseEventData('raid', { viewer: personOf(of.who), partySize: of.brought })
      return ok({ source, externalId: `raid-${of.ref}`, kind: 'raid', occurredAtMs, data })
    }
    case 'tip': {
      const amount = parseDecimalAmount(of.sum, of.money)
      if (!amount.ok) return err(amount.error)
      const data = parseEventData('tip', {
        viewer: personOf(of.who),
        amountMinor: amount.value,
        currency: of.money,
        ...messageOf(of.words),
      })
      return ok({ source, externalId: `tip-${of.ref}`, kind: 'tip', occurredAtMs, data })
    }
  }
}

export const cedar: FeedAdapter = {
  platform: 'cedar',
  translate(payload, feedId) {
    const read = envelope.safeParse(payload)
    if (!read.success) return null
    return understandEach('notices', read.data.notices, notice, (one) =>
      withPicked(understand(one, feedSource(feedId)), 'picked' in one ? one.picked : undefined),
    )
  },
}
