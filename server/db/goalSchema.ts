import { bigint, boolean, index, integer, jsonb, pgTable, primaryKey, text, timestamp } from 'drizzle-orm/pg-core'
import type { Goal } from '../../core/goal/schema.ts'
import type { ToldGoal } from '../../core/goal/standing.ts'
import { event } from './liveSchema.ts'
import { channel } from './schema.ts'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })
const ofChannel = () =>
  text('channel_id')
    .notNull()
    .references(() => channel.id)

/** What a channel and its viewers want to reach together. */
export const goal = pgTable(
  'goal',
  {
    channelId: ofChannel(),
    id: text().notNull(),
    document: jsonb().$type<Goal>().notNull(),
    /** Counts up with every change of the document. */
    revision: integer().notNull().default(0),
    /** What all events bring. Written with them. */
    sum: bigint({ mode: 'number' }).notNull().default(0),
    /** Something was decided without knowing the goal as it is: the sum has to be added up anew. */
    isStale: boolean('is_stale').notNull().default(false),
    /** What was told as reached. */
    told: jsonb().$type<ToldGoal>().notNull(),
    /** That it began was told. */
    isStartTold: boolean('is_start_told').notNull().default(false),
    /** Since when it is among the past ones. */
    endedAt: at('ended_at'),
  },
  (table) => [primaryKey({ columns: [table.channelId, table.id] })],
)

/** A change of a goal's amount by hand. Never changed; taken back by another one. */
export const goalCorrection = pgTable(
  'goal_correction',
  {
    /** As whoever asked for it named it: asked for twice it is there once. */
    id: text().primaryKey(),
    channelId: ofChannel(),
    goalId: text('goal_id').notNull(),
    amount: bigint({ mode: 'number' }).notNull(),
    why: text().notNull(),
    byName: text('by_name').notNull(),
    at: at('at').notNull(),
  },
  (table) => [index('goal_correction_of').on(table.channelId, table.goalId)],
)

/** What an event brought and was given back. */
export const refund = pgTable('refund', {
  eventId: text('event_id')
    .primaryKey()
    .references(() => event.id),
  channelId: ofChannel(),
  at: at('at').notNull(),
})
