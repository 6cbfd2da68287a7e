import * as z from 'zod'
import type { GoalSlice } from '../core/board/slice.ts'
import type { BoxDocument } from '../core/composition/box.ts'
import type { Look } from '../core/look/schema.ts'
import type { MediaFacts } from '../core/score/mediaFacts.ts'
import { tipPage, type TipPage } from '../core/tip/page.ts'

/** What a viewer's page needs to show the alert as it will play: the same engine runs there. */
export interface TipAlert {
  /** The box on air with its alerts for tips, and nothing else of it. */
  document: BoxDocument
  media: Record<string, MediaFacts>
  /** What a tip of this page names as its source. */
  source: string
  rates: Record<string, number>
}

/** A tip as everybody may see it. */
export interface LastTip {
  /** Empty: nobody is named. */
  name: string
  amountMinor: number
  currency: string
  atMs: number
}

/** What the tip page of a channel shows to anybody. */
export interface TipView {
  channel: string
  locale: string
  currency: string
  timeZone: string
  page: TipPage
  /** Why nothing can be left at the moment; null: it can. */
  closed: string | null
  /** The look of the channel's box as it is today; null: there is none yet. */
  look: Look | null
  /** Null: no tip is shown as an alert. */
  alert: TipAlert | null
  goal: GoalSlice['goal']
  last: LastTip[]
}

export const tipBody = z.object({
  /** Asked for twice by the same id, it is one tip. */
  requestId: z.string().min(8).max(80),
  amountMinor: z.number(),
  currency: z.string().max(10),
  name: z.string().max(1_000),
  message: z.string().max(10_000),
  choice: z.string().max(60).nullable(),
})

export interface TipAnswer {
  id: string
  /** Where it is paid. */
  url: string
}

export const readingBody = z.object({
  amountMinor: z.int().min(0).max(1_000_000_000),
  name: z.string().max(1_000),
  message: z.string().max(10_000),
})

/** What the voice would make of a message. */
export interface ReadingView {
  /** Why it is not read; null: it is. */
  refusal: string | null
  /** BCP 47, of the voice that reads. */
  language: string
  /** What is read; the same as was written where nothing was taken out. */
  text: string
  isChanged: boolean
}

/** How a tip stands, for whoever left it. */
export interface ThanksView {
  channel: string
  state: 'open' | 'failed' | 'paid' | 'refunded'
  name: string
  amountMinor: number
  currency: string
  /** Where its alert is; null: it has none, or nothing is paid. */
  place: { is: 'waiting'; before: number } | { is: 'onAir' } | { is: 'shown' } | { is: 'notShown' } | null
  goal: GoalSlice['goal']
}

/** What a payment provider says of a checkout, signed after the Standard Webhooks specification. */
export const paymentNotice = z.object({
  type: z.enum(['checkout.paid', 'checkout.failed', 'checkout.refunded']),
  timestamp: z.iso.datetime({ offset: true }),
  data: z.object({
    /** As the checkout was opened. */
    reference: z.string().min(1).max(80),
    /** Minor units. */
    amount: z.int().min(1).max(1_000_000_000_000),
    currency: z.string().regex(/^[A-Z]{3}$/),
  }),
})
export type PaymentNotice = z.infer<typeof paymentNotice>

export const changeTipPageBody = z.object({ page: tipPage, revision: z.int().min(0) })

export interface ReceiptView {
  eventId: string
  seq: number
  name: string
  message: string
  amountMinor: number
  currency: string
  atMs: number
  refundedAtMs: number | null
  /** Paid at the provider, which gives it back; otherwise only this channel takes it out of its sums. */
  isAtProvider: boolean
}

/** What the broadcaster sees of the tip page. */
export interface TipDeskView {
  page: TipPage
  revision: number
  url: string
  command: string
  /** What is wrong with it besides being closed; null: nothing. */
  trouble: string | null
  /** What was brought in the last 30 days, by currency. */
  sums: { currency: string; amountMinor: number; count: number }[]
  look: Look | null
  receipts: ReceiptView[]
  nextBefore: number | null
}
