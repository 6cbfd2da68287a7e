import { bigint, index, integer, jsonb, pgTable, text, timestamp, uniqueIndex } from 'drizzle-orm/pg-core'
import type { TipPage } from '../../core/tip/page.ts'
import { channel } from './schema.ts'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })
const ofChannel = () =>
  text('channel_id')
    .notNull()
    .references(() => channel.id)

/** What a channel says on its tip page. */
export const tipPage = pgTable('tip_page', {
  channelId: text('channel_id')
    .primaryKey()
    .references(() => channel.id),
  document: jsonb().$type<TipPage>().notNull(),
  /** Counts up with every change. */
  revision: integer().notNull().default(0),
})

/** A tip that somebody wants to leave, on its way to the payment provider and back. */
export const checkout = pgTable(
  'checkout',
  {
    id: text().primaryKey(),
    channelId: ofChannel(),
    /** The feed that it happens in, once it is paid. */
    feedId: text('feed_id').notNull(),
    /** As the page named it: asked for twice it is one. */
    requestId: text('request_id').notNull(),
    amountMinor: bigint('amount_minor', { mode: 'number' }).notNull(),
    currency: text().notNull(),
    /** Empty: nobody is named. */
    name: text().notNull(),
    message: text().notNull(),
    choice: text(),
    /** Only what is paid is a tip; what was given back was one. */
    state: text().$type<CheckoutState>().notNull().default('open'),
    createdAt: at('created_at').notNull(),
    paidAt: at('paid_at'),
    refundedAt: at('refunded_at'),
  },
  (table) => [
    uniqueIndex('checkout_request').on(table.channelId, table.requestId),
    index('checkout_newest').on(table.channelId, table.createdAt),
  ],
)
export type CheckoutState = 'open' | 'failed' | 'paid' | 'refunded'
