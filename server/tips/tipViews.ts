import type { ReceiptView, TipAlert, TipDeskView, TipView } from '../../contract/tips.ts'
import { goalSlice } from '../../core/board/goalSlice.ts'
import type { GoalSlice } from '../../core/board/slice.ts'
import type { Alert, BoxDocument } from '../../core/composition/box.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import { feedSource } from '../../core/events/feedSource.ts'
import type { Goal } from '../../core/goal/schema.ts'
import { mediaUses } from '../../core/library/mediaUses.ts'
import { dressAt } from '../../core/look/seasons.ts'
import type { Look } from '../../core/look/schema.ts'
import { pageLook } from '../../core/tip/pageLook.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import { usualTipPage, type TipPage } from '../../core/tip/page.ts'
import type { Database } from '../db/handle.ts'
import { listNewest } from '../db/queries/boards.ts'
import type { EventRow } from '../db/queries/events.ts'
import { listFeeds, type FeedRow } from '../db/queries/feeds.ts'
import { findTipPage, listReceipts, sumReceipts } from '../db/queries/tips.ts'
import { goalsView } from '../goals/goalViews.ts'
import { checkoutOfTip } from './tipEvents.ts'

const platform = 'till'
const lastListed = 3
const receiptsListed = 50
const summedMs = 30 * 86_400_000

/** What is known of a channel whose tip page is asked for. */
export interface TipChannel {
  db: Database
  id: string
  name: string
  channel: ChannelOnAir
  nowMs: number
  /** Whether something can be paid just now. */
  canPay: boolean
}

/** The page as the channel has it, or as it would begin; with its feeds, of which tips are only taken by one that is linked. */
export async function readTipPage({ db, id, name, channel }: TipChannel) {
  const [kept, feeds] = await Promise.all([findTipPage(db, id), listFeeds(db, id)])
  const tills = feeds.filter((feed) => feed.platform === platform)
  return {
    page: kept?.page ?? usualTipPage(name, channel.currency),
    revision: kept?.revision ?? 0,
    tills,
    till: tills.find(({ unlinkedAt }) => unlinkedAt === null) ?? null,
  }
}

/** Why nothing can be left; null: it can. */
export function whyClosed(page: TipPage, till: FeedRow | null, canPay: boolean): string | null {
  if (!page.isOpen) return 'This page is closed at the moment. Come back later.'
  if (!till || !canPay) return 'Nothing can be paid here at the moment. Come back later.'
  return null
}

const showsTips = ({ kinds, isOn }: Alert): boolean => isOn && kinds.includes('tip')

/** The first box on air that shows tips, with the look that it wears today. */
export function tipBox({ boxes, timeZone }: ChannelOnAir, nowMs: number): { document: BoxDocument; look: Look } | null {
  const documents = boxes.flatMap(({ version }) => version?.document ?? [])
  const shows = documents.find(({ alerts }) => alerts.some(showsTips))
  const document = shows ?? documents[0]
  return document ? { document, look: dressAt(document, nowMs, timeZone).look } : null
}

/** What a viewer's page needs to show the alert. Nothing else of the box leaves the server. */
function tipAlert(document: BoxDocument, { media, rates }: ChannelOnAir, source: string): TipAlert | null {
  const alerts = document.alerts.filter(showsTips)
  if (alerts.length === 0) return null
  const shown: BoxDocument = { ...document, alerts, packs: [], design: null }
  const used = new Set(mediaUses(shown).map(({ mediaId }) => mediaId))
  const facts = Object.entries(media).filter(([id, { family }]) => used.has(id) || family !== undefined)
  return { document: shown, media: Object.fromEntries(facts), source, rates }
}

/** The choices that the alert for tips offers. */
export const offeredWith = (document: BoxDocument | null): { id: string }[] =>
  document?.alerts.find(showsTips)?.offer?.options ?? []

const countsTips = ({ measure, sources }: Goal, source: string | null) =>
  measure.of === 'money' &&
  measure.kinds.includes('tip') &&
  (sources === null || (source !== null && sources.includes(source)))

/** The goal that the page shows; null: there is none that a tip helps. */
export async function tipGoal(
  { db, id, channel, nowMs }: TipChannel,
  page: TipPage,
  source: string | null,
): Promise<GoalSlice['goal']> {
  const { timeZone, currency } = channel
  const { goals } = await goalsView(db, id, nowMs, timeZone)
  const helped = goals.filter(({ goal, standing }) => standing.phase === 'running' && countsTips(goal, source))
  const shown = helped.find(({ goal }) => goal.id === page.goalId) ?? (page.goalId === null ? helped[0] : undefined)
  return shown ? goalSlice(shown.goal, shown.amount, { nowMs, timeZone, currency, last: null }).goal : null
}

type TipData = Extract<CanonicalEvent, { kind: 'tip' }>['data']
const tipOf = (row: EventRow) => row.data as TipData

export async function tipView(of: TipChannel): Promise<TipView> {
  const { db, id, name, channel, nowMs, canPay } = of
  const { page, till } = await readTipPage(of)
  const source = till && feedSource(till.id)
  const box = tipBox(channel, nowMs)
  const [goal, last] = await Promise.all([
    tipGoal(of, page, source),
    page.showsLast ? listNewest(db, id, ['tip'], lastListed) : [],
  ])
  const { locale, currency, timeZone } = channel
  return {
    ...{ channel: name, locale, currency, timeZone, page, goal },
    closed: whyClosed(page, till, canPay),
    look: pageLook(box?.look ?? null, channel.pageColours),
    alert: box && source ? tipAlert(box.document, channel, source) : null,
    last: last.map((row) => ({
      name: row.data.viewer?.name ?? '',
      amountMinor: tipOf(row).amountMinor,
      currency: tipOf(row).currency,
      atMs: row.occurredAt.getTime(),
    })),
  }
}

const receiptView = ({ event, refundedAt }: { event: EventRow; refundedAt: Date | null }): ReceiptView => ({
  eventId: event.id,
  seq: event.seq,
  name: event.data.viewer?.name ?? '',
  message: event.data.message?.text ?? '',
  amountMinor: tipOf(event).amountMinor,
  currency: tipOf(event).currency,
  atMs: event.occurredAt.getTime(),
  refundedAtMs: refundedAt?.getTime() ?? null,
  isAtProvider: checkoutOfTip(event.externalId) !== null,
})

/** What the broadcaster sees of it. @param before receipts before this one; null: the newest */
export async function tipDeskView(of: TipChannel, url: string, before: number | null): Promise<TipDeskView> {
  const { db, id, channel, nowMs, canPay } = of
  const { page, revision, tills, till } = await readTipPage(of)
  const sources = tills.map((feed) => feedSource(feed.id))
  const [rows, sums] = await Promise.all([
    listReceipts(db, id, sources, before, receiptsListed + 1),
    sumReceipts(db, id, sources, new Date(nowMs - summedMs)),
  ])
  const receipts = rows.slice(0, receiptsListed).map(receiptView)
  const command = page.word === '' ? '' : channel.calls.prefix + page.word
  return {
    ...{ page, revision, url, command, sums, receipts },
    look: pageLook(tipBox(channel, nowMs)?.look ?? null, channel.pageColours),
    trouble: troubleOf(page, tills, till, canPay),
    nextBefore: rows.length > receiptsListed ? (receipts.at(-1)?.seq ?? null) : null,
  }
}

function troubleOf(
  { isOpen }: TipPage,
  tills: readonly FeedRow[],
  till: FeedRow | null,
  canPay: boolean,
): string | null {
  if (!canPay) return 'No payment provider answers: the simulated one is switched off under Triggers, Studio and chat.'
  if (isOpen && tills.length > 0 && !till) return 'Its feed is unlinked. Link Till again under Accounts.'
  return null
}
