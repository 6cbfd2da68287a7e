import { bigint, bigserial, index, pgTable, text, timestamp } from 'drizzle-orm/pg-core'
import type { BegunBy, EndedBy } from '../../core/broadcast/foldBroadcast.ts'
import { channel } from './schema.ts'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

/** A broadcast of a channel, as it was told by what happened. The last may go on. */
export const broadcast = pgTable(
  'broadcast',
  {
    id: text().primaryKey(),
    channelId: text('channel_id')
      .notNull()
      .references(() => channel.id),
    beganAt: at('began_at').notNull(),
    begunBy: text('begun_by').$type<BegunBy>().notNull(),
    /** When something happened in it last. */
    lastAt: at('last_at').notNull(),
    endedAt: at('ended_at'),
    endedBy: text('ended_by').$type<EndedBy>(),
  },
  (table) => [index('broadcast_order').on(table.channelId, table.beganAt)],
)

/** Somebody, or the studio, said that a broadcast begins or ends. */
export const broadcastMark = pgTable(
  'broadcast_mark',
  {
    seq: bigserial({ mode: 'number' }).primaryKey(),
    channelId: text('channel_id')
      .notNull()
      .references(() => channel.id),
    at: at('at').notNull(),
    is: text().$type<'begin' | 'end'>().notNull(),
    by: text().$type<'hand' | 'studio'>().notNull(),
  },
  (table) => [index('broadcast_mark_order').on(table.channelId, table.seq)],
)

/** How far a channel's broadcasts have been told. */
export const broadcastsTold = pgTable('broadcasts_told', {
  channelId: text('channel_id')
    .primaryKey()
    .references(() => channel.id),
  /** The event and the mark that were looked at last. */
  eventSeq: bigint('event_seq', { mode: 'number' }).notNull().default(0),
  markSeq: bigint('mark_seq', { mode: 'number' }).notNull().default(0),
  /** See `BroadcastState`; null: nobody ended one. */
  quietUntil: at('quiet_until'),
})
