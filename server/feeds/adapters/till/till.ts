import * as z from 'zod'
import { parseEventData } from '../../../../core/events/schema.ts'
import { ok, type Result } from '../../../../core/result.ts'
import type { FeedAdapter, Translation } from '../../adapter.ts'
import { feedSource } from '../../../../core/events/feedSource.ts'
import { digest } from '../../digest.ts'
import { messageOf, pickedField, understandEach, viewerOf, type Understood } from '../../understandEach.ts'

/*
 * Till is the channel's own tip page: `{ slips: [{ slip, at, does, … }] }`. Amounts are minor units already. Whoever tips types a
 * name or none; it is no account, so the viewer's id is made from the name. Goals have no slip of their own: their id is the goal's.
 */

const envelope = z.object({ slips: z.array(z.unknown()).min(1).max(500) })
const at = z.iso.datetime({ offset: true })
const goal = z.object({ id: z.string().min(1).max(150), title: z.string().max(200), target: z.int() })

const slip = z.discriminatedUnion('does', [
  z.object({
    does: z.literal('tip'),
    slip: z.string().min(1).max(150),
    at,
    amount: z.int(),
    currency: z.string().max(10),
    from: z.string().max(2000).nullable(),
    note: z.string().max(5000).optional(),
    picked: pickedField,
  }),
  z.object({ does: z.literal('goal.opened'), at, goal, currency: z.string().max(10) }),
  z.object({ does: z.literal('goal.filled'), at, goal, currency: z.string().max(10) }),
])
type Slip = z.infer<typeof slip>

/** The tip on a slip. @throws ZodError for what is no tip */
export function tipOfSlip(of: Extract<Slip, { does: 'tip' }>, source: string): Translation['events'][number] {
  const name = of.from?.trim()
  const viewer = name ? viewerOf(`till-${digest(name.toLowerCase())}`, name) : null
  const said = { viewer, amountMinor: of.amount, currency: of.currency, ...messageOf(of.note) }
  return {
    ...{ source, externalId: `tip-${of.slip}`, kind: 'tip', occurredAtMs: Date.parse(of.at) },
    data: parseEventData('tip', { ...said, ...(of.picked ? { choice: of.picked } : {}) }),
  }
}

function understand(of: Slip, source: string): Result<Understood, string> {
  const occurredAtMs = Date.parse(of.at)
  if (of.does === 'tip') return ok(tipOfSlip(of, source))
  const kind = of.does === 'goal.opened' ? 'goalStarted' : 'goalReached'
  return ok({
    source,
    externalId: `${of.does}-${of.goal.id}`,
    kind,
    occurredAtMs,
    data: parseEventData(kind, {
      viewer: null,
      goalTitle: of.goal.title,
      targetMinor: of.goal.target,
      currency: of.currency,
    }),
  })
}

export const till: FeedAdapter = {
  platform: 'till',
  translate(payload, feedId) {
    const read = envelope.safeParse(payload)
    return read.success
      ? understandEach('slips', read.data.slips, slip, (one) => understand(one, feedSource(feedId)))
      : null
  },
}
