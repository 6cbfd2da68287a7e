import type { PaymentNotice } from '../../contract/tips.ts'
import { feedSource } from '../../core/events/feedSource.ts'
import type { Database } from '../db/handle.ts'
import type { EventRow } from '../db/queries/events.ts'
import { refundEvent } from '../db/queries/goals.ts'
import { findEntry, readBalances } from '../db/queries/runs.ts'
import {
  addCheckout,
  findCheckout,
  findEventOf,
  playsOf,
  settleCheckout,
  type CheckoutRow,
} from '../db/queries/tips.ts'
import type { KnownFeed } from '../channel/feedDirectory.ts'
import type { Translation } from '../feeds/adapter.ts'
import type { Calls } from '../triggers/calls.ts'
import type { Lines } from '../queue/lines.ts'
import type { AskedTip } from '../../core/tip/checkTip.ts'
import { newId } from '../system/ids.ts'
import type { PaymentProvider } from './provider.ts'
import { tipEventOf, tipExternalId } from './tipEvents.ts'

export interface TipDeskDependencies {
  db: Database
  now: () => number
  provider: PaymentProvider
  /** Takes an event of a feed in. Resolves when it is durable. */
  accept: (feed: KnownFeed, noticeId: string, raw: string, translation: Translation) => Promise<unknown>
  calls: Pick<Calls, 'act'>
  lines: Pick<Lines, 'act'>
  /** What is derived from events of a channel is to be looked at anew. */
  onRefund: (channelId: string) => Promise<void>
  onError: (error: unknown) => void
}

/** Tips from the page to the event: what somebody wants to leave is kept, paid elsewhere, and only then has happened. */
export class TipDesk {
  constructor(private readonly deps: TipDeskDependencies) {}

  get provider(): PaymentProvider {
    return this.deps.provider
  }

  /**
   * Keeps what somebody wants to leave and opens it at the provider. Asked for again it is the same.
   * @param asked checked before, see `tipFaults`
   */
  async open(
    feed: Pick<KnownFeed, 'id' | 'channelId' | 'secret'>,
    requestId: string,
    { amountMinor, currency, name, message, choice }: AskedTip,
    what: string,
  ): Promise<{ id: string; url: string }> {
    const { db, now, provider } = this.deps
    const row = await addCheckout(db, {
      ...{ id: newId('checkout', now()), channelId: feed.channelId, feedId: feed.id, requestId },
      ...{ amountMinor, currency, name, message, choice, createdAt: new Date(now()) },
    })
    const back = `/tip/${feed.channelId}/${row.id}`
    if (row.state === 'paid' || row.state === 'refunded') return { id: row.id, url: back }
    // Tried again after a card was refused.
    await settleCheckout(db, row.id, 'open')
    const { id, secret } = feed
    const url = await provider.open({
      ...{ id: row.id, amountMinor: row.amountMinor, currency: row.currency, what },
      ...{ feed: { id, secret }, back },
    })
    return { id: row.id, url }
  }

  /** Hears what the provider says of a checkout. Said twice it happens once. @returns false where there is no such checkout */
  async hear(feed: KnownFeed, noticeId: string, raw: string, notice: PaymentNotice): Promise<boolean> {
    const { db } = this.deps
    const { type, timestamp, data } = notice
    const row = await findCheckout(db, data.reference)
    if (row?.feedId !== feed.id) return false
    if (type === 'checkout.failed') await settleCheckout(db, row.id, 'failed')
    else if (type === 'checkout.refunded') await this.giveBack(row)
    else await this.paid(feed, noticeId, raw, row, { amountMinor: data.amount, currency: data.currency, at: timestamp })
    return true
  }

  private async paid(
    feed: KnownFeed,
    noticeId: string,
    raw: string,
    row: CheckoutRow,
    paid: { amountMinor: number; currency: string; at: string },
  ): Promise<void> {
    const { db, accept } = this.deps
    const translation = { events: [tipEventOf(row, paid)], removals: [], watching: null, rejected: [] }
    await accept(feed, noticeId, raw, translation)
    // After the event: a notice that is sent again after a crash in between finds the tip and says the same.
    const { amountMinor, currency } = paid
    await settleCheckout(db, row.id, 'paid', { paidAt: new Date(Date.parse(paid.at)), amountMinor, currency })
    // Given back before it was heard that it was paid: notices keep no order.
    if (row.state === 'refunded') await this.giveBack(row)
  }

  private async giveBack(row: CheckoutRow): Promise<void> {
    const { db, now } = this.deps
    await settleCheckout(db, row.id, 'refunded', { refundedAt: new Date(now()) })
    const known = await findEventOf(db, row.channelId, feedSource(row.feedId), tipExternalId(row.id))
    if (known) await this.takeOut(known)
  }

  /**
   * Takes a tip that was given back out of whatever is derived from it: goals, boards, points, and the line, where its alert still
   * waits. Done again it changes nothing more.
   */
  async takeOut(event: Pick<EventRow, 'id' | 'channelId' | 'data'>): Promise<void> {
    const { db, now, lines, onRefund, onError } = this.deps
    const { id: eventId, channelId } = event
    await refundEvent(db, channelId, eventId, new Date(now()))
    await this.takePointsBack(event)
    for (const { id, boxId, state } of await playsOf(db, eventId))
      if (state === 'waiting')
        await lines.act(boxId, { do: 'skip', playId: id, reason: 'The tip was given back.' }).catch(onError)
    await onRefund(channelId)
  }

  /** What the tip had earned its viewer goes, as far as it is still there: nobody has less than nothing. */
  private async takePointsBack({ id, channelId, data }: Pick<EventRow, 'id' | 'channelId' | 'data'>): Promise<void> {
    const { db, calls } = this.deps
    const entry = await findEntry(db, channelId, `event:${id}`)
    if (!entry || entry.change <= 0) return
    const reference = `refund:${id}`
    if (await findEntry(db, channelId, reference)) return
    const { viewerId } = entry
    // Somebody may spend meanwhile: what is left then is taken.
    for (let tries = 0; tries < 3; tries++) {
      const left = (await readBalances(db, channelId, [viewerId])).get(viewerId) ?? 0
      const change = -Math.min(entry.change, left)
      if (change === 0) return
      const entries = [{ viewerId, name: data.viewer?.name ?? '', change, why: 'given back', reference }]
      if (await calls.act(channelId, { do: 'enter', entries })) return
    }
  }
}
