import { sql } from 'drizzle-orm'
import {
  bigint,
  bigserial,
  boolean,
  check,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
} from 'drizzle-orm/pg-core'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import type { GateState, Reservation, ViewerUses } from '../../core/gate/state.ts'
import type { StudioState } from '../../core/studio/studio.ts'
import type { Trigger, TriggerStart } from '../../core/triggers/schema.ts'
import type { DoneStep, RunEnd, RunProgress, RunTask } from '../../contract/triggers.ts'
import { channel } from './schema.ts'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })
const ofChannel = () =>
  text('channel_id')
    .notNull()
    .references(() => channel.id)

/** What viewers of a channel can set off. */
export const trigger = pgTable(
  'trigger',
  {
    channelId: ofChannel(),
    id: text().notNull(),
    position: integer().notNull().default(0),
    document: jsonb().$type<Trigger>().notNull(),
    revision: integer().notNull().default(0),
    /** Since when it is put away: nothing sets it off, and it can be brought back. */
    putAwayAt: at('put_away_at'),
  },
  (table) => [primaryKey({ columns: [table.channelId, table.id] })],
)

/** What has to be known of a trigger's uses to ask its gate. Written by the owner of the channel's lane alone. */
export const gateState = pgTable(
  'gate_state',
  {
    channelId: text('channel_id').notNull(),
    triggerId: text('trigger_id').notNull(),
    state: jsonb().$type<GateState>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.channelId, table.triggerId] })],
)

/** The same of one viewer. */
export const gateUses = pgTable(
  'gate_uses',
  {
    channelId: text('channel_id').notNull(),
    triggerId: text('trigger_id').notNull(),
    viewerId: text('viewer_id').notNull(),
    uses: jsonb().$type<ViewerUses>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.channelId, table.viewerId, table.triggerId] })],
)

/** What each viewer has of the channel's points: the sum of the ledger, written with it. */
export const balance = pgTable(
  'balance',
  {
    channelId: text('channel_id').notNull(),
    /** The source of the viewer's events and the viewer's id there. */
    viewerId: text('viewer_id').notNull(),
    name: text().notNull(),
    points: bigint({ mode: 'number' }).notNull().default(0),
  },
  (table) => [
    primaryKey({ columns: [table.channelId, table.viewerId] }),
    index('balance_most').on(table.channelId, table.points),
    check('balance_not_negative', sql`points >= 0`),
  ],
)

/** Every change of a viewer's points. Rows are added and never changed. */
export const pointsEntry = pgTable(
  'points_entry',
  {
    seq: bigserial({ mode: 'number' }).primaryKey(),
    channelId: text('channel_id').notNull(),
    viewerId: text('viewer_id').notNull(),
    change: bigint({ mode: 'number' }).notNull(),
    why: text().notNull(),
    /** What it is for: of two entries with the same the first stays. */
    reference: text().notNull(),
    at: at('at').notNull(),
  },
  (table) => [
    uniqueIndex('points_entry_reference').on(table.channelId, table.reference),
    index('points_entry_viewer').on(table.channelId, table.viewerId, table.seq),
  ],
)

/** One time that a trigger was asked for, and what became of it. */
export const run = pgTable(
  'run',
  {
    /** In the order in which they were asked for: what came in one commit came in one moment. */
    seq: bigserial({ mode: 'number' }).primaryKey(),
    id: text().notNull().unique(),
    channelId: text('channel_id').notNull(),
    triggerId: text('trigger_id').notNull(),
    triggerName: text('trigger_name').notNull(),
    /** What asked for it. */
    eventId: text('event_id').notNull(),
    /** The same, as it came: what is done is said with its words. */
    event: jsonb().$type<CanonicalEvent>().notNull(),
    by: text().$type<TriggerStart['by']>().notNull(),
    /** Null where nobody did: a time, or somebody anonymous. */
    viewerId: text('viewer_id'),
    viewerName: text('viewer_name').notNull(),
    input: text().notNull(),
    /** Paid for on the platform. */
    isPaid: boolean('is_paid').notNull(),
    progress: text().$type<RunProgress>().notNull(),
    /** What became of it; null while it goes on. */
    end: text().$type<RunEnd>(),
    reason: text().notNull().default(''),
    /** What was set aside for it, for as long as it may have to be given back. */
    reserved: jsonb().$type<Reservation>(),
    askedAt: at('asked_at').notNull(),
    startedAt: at('started_at'),
    endedAt: at('ended_at'),
    /** What of its sheet was done, and when from its start. */
    done: jsonb().$type<DoneStep[]>().notNull().default([]),
    /** Something that is to be done by hand; null where nothing is. */
    task: text().$type<RunTask>(),
  },
  (table) => [
    index('run_open')
      .on(table.channelId, table.seq)
      .where(sql`progress <> 'over'`),
    index('run_newest').on(table.channelId, table.seq),
    index('run_task')
      .on(table.channelId, table.seq)
      .where(sql`task = 'waiting'`),
  ],
)

/** What run sheets count. */
export const counter = pgTable(
  'counter',
  {
    channelId: text('channel_id').notNull(),
    name: text().notNull(),
    value: bigint({ mode: 'number' }).notNull().default(0),
  },
  (table) => [primaryKey({ columns: [table.channelId, table.name] })],
)

/** The broadcast program of a channel: the secret of its link, and what is held there. */
export const studio = pgTable('studio', {
  channelId: text('channel_id')
    .primaryKey()
    .references(() => channel.id),
  /** A shared key, so it must be kept readable. */
  secret: text().notNull().unique(),
  kept: jsonb().$type<StudioState>(),
})

/** What simulated platforms know of the channels on them: rewards, what was redeemed, and what is to be paid. */
export const standIn = pgTable(
  'stand_in',
  {
    /** The feed that is delivered to. */
    feedId: text('feed_id').notNull(),
    kind: text().$type<'reward' | 'redemption' | 'checkout'>().notNull(),
    id: text().notNull(),
    content: jsonb().$type<Record<string, unknown>>().notNull(),
    at: at('at')
      .notNull()
      .default(sql`now()`),
  },
  (table) => [primaryKey({ columns: [table.feedId, table.kind, table.id] })],
)
