import { sql } from 'drizzle-orm'
import {
  bigint,
  bigserial,
  boolean,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  uniqueIndex,
} from 'drizzle-orm/pg-core'
import type { EventKind } from '../../core/events/kinds.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import type { PlayFacts } from '../../core/queue/facts.ts'
import type { Together } from '../../core/queue/ticket.ts'
import type { Lane } from '../../core/response/lane.ts'
import type { Outcome } from '../../core/response/outcome.ts'
import type { Called } from '../../core/triggers/calledEvent.ts'
import type { Why } from '../../core/rules/why.ts'
import type { DeskAct } from '../../contract/acts.ts'
import type { Approval, PlaySpeech } from '../../contract/speech.ts'
import type { PlayProgress } from '../../contract/views.ts'
import { channel } from './schema.ts'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

export const event = pgTable(
  'event',
  {
    seq: bigserial({ mode: 'number' }).primaryKey(),
    id: text().notNull().unique(),
    channelId: text('channel_id')
      .notNull()
      .references(() => channel.id),
    source: text().notNull(),
    externalId: text('external_id').notNull(),
    kind: text().$type<EventKind>().notNull(),
    data: jsonb().$type<CanonicalEvent['data']>().notNull(),
    occurredAt: at('occurred_at').notNull(),
    receivedAt: at('received_at').notNull(),
    isTest: boolean('is_test').notNull().default(false),
  },
  (table) => [
    uniqueIndex('event_identity').on(table.channelId, table.source, table.externalId),
    index('event_order').on(table.channelId, table.seq),
    // When a viewer did the same kind of thing last.
    index('event_viewer').on(table.channelId, table.kind, sql`(data -> 'viewer' ->> 'id')`, table.occurredAt),
    // The history, newest first: of one kind, of one feed, of one viewer, of a day, of what is worth much, with a word.
    index('event_of_kind').on(table.channelId, table.kind, table.seq),
    index('event_of_source').on(table.channelId, table.source, table.seq),
    index('event_of_viewer').on(table.channelId, sql`(data -> 'viewer' ->> 'id')`, table.seq),
    index('event_of_day').on(table.channelId, table.receivedAt, table.seq),
    index('event_worth')
      .on(table.channelId, sql`(data ->> 'currency')`, sql`((data ->> 'amountMinor')::bigint)`)
      .where(sql`data ->> 'amountMinor' is not null`),
    index('event_words').using('gin', sql`thundercrest_words(data)`),
  ],
)

/**
 * What a chat has taken away: one line, by what its event is called where it comes from; or all that a viewer had said until
 * then. Its events stay, for what they set off did happen.
 */
export const removal = pgTable(
  'removal',
  {
    id: text().primaryKey(),
    channelId: text('channel_id')
      .notNull()
      .references(() => channel.id),
    source: text().notNull(),
    externalId: text('external_id'),
    viewerId: text('viewer_id'),
    at: at('at').notNull(),
  },
  (table) => [index('removal_order').on(table.channelId, table.at)],
)

/** What people did at the desk of a box. */
export const deskAct = pgTable(
  'desk_act',
  {
    seq: bigserial({ mode: 'number' }).primaryKey(),
    channelId: text('channel_id')
      .notNull()
      .references(() => channel.id),
    /** Null: of all boxes. */
    boxId: text('box_id'),
    at: at('at').notNull(),
    /** As they were called then: whoever leaves has done it all the same. */
    byName: text('by_name').notNull(),
    did: text().$type<DeskAct>().notNull(),
    playId: text('play_id'),
  },
  (table) => [index('desk_act_order').on(table.channelId, table.seq)],
)

/**
 * One running server. Several may share a database: each says again and again that it lives, until `leaseUntil` at least.
 * Both times are the database's.
 */
export const node = pgTable('node', {
  id: text().primaryKey(),
  /** The machine that it runs on, and its process there. */
  machine: text().notNull(),
  process: text().notNull(),
  /** Of the secret with which it seals addresses. */
  seal: text().notNull(),
  seenAt: at('seen_at').notNull(),
  leaseUntil: at('lease_until').notNull(),
})

/** An ordered line of effects, owned by one node at a time. `epoch` counts its owners: what an earlier one still writes is refused. */
export const lane = pgTable('lane', {
  id: text().primaryKey(),
  channelId: text('channel_id')
    .notNull()
    .references(() => channel.id),
  owner: text(),
  epoch: integer().notNull().default(0),
  /** When its last owner was last known to carry it out; null: nobody ever did, or somebody does now. */
  leftAt: at('left_at'),
})

/**
 * What an event causes in a lane, and why; and in the end what became of it. Written with its event, carried out by the
 * owner of its lane. Effects and plays are only ever written together with what they refer to, by one function: to have the
 * database look that up again for each of them cost a third of every write.
 */
export const effect = pgTable(
  'effect',
  {
    id: text().primaryKey(),
    eventId: text('event_id').notNull(),
    /** The place of its event in the history. Null: somebody asked for it once more. */
    eventSeq: bigint('event_seq', { mode: 'number' }),
    channelId: text('channel_id').notNull(),
    lane: text().$type<Lane>().notNull(),
    kind: text().$type<'alert'>().notNull(),
    /** Somebody asked for it once more: not what the event itself caused. */
    isAgain: boolean('is_again').notNull().default(false),
    /** Why this and nothing else, as one sentence. */
    decided: text().notNull(),
    /** The same as a tree: each variation with what held and what failed. Null where no rule was asked. */
    why: jsonb().$type<Why>(),
    /** What became of it; null while it is to be carried out. */
    outcome: text().$type<Outcome>(),
    /** Why that became of it; before, why it waits where that is known. */
    reason: text().notNull().default(''),
    outcomeAt: at('outcome_at'),
  },
  (table) => [
    index('effect_event').on(table.eventId),
    // The log: what was to be shown and has ended.
    index('effect_settled')
      .on(table.lane, table.outcomeAt)
      .where(sql`outcome <> 'off'`),
    // The history of what became of events.
    index('effect_became')
      .on(table.channelId, table.outcome, table.eventSeq)
      .where(sql`event_seq is not null and outcome is not null`),
  ],
)

/** The showing of an alert: how far an effect of that kind is. It has the effect's id. */
export const play = pgTable(
  'play',
  {
    id: text().primaryKey(),
    boxId: text('box_id').notNull(),
    eventId: text('event_id').notNull(),
    versionId: text('version_id').notNull(),
    alertId: text('alert_id').notNull(),
    variationId: text('variation_id').notNull(),
    variationName: text('variation_name').notNull(),
    /** What became of it stands in its effect. */
    state: text().$type<PlayProgress>().notNull(),
    lengthMs: integer('length_ms').notNull(),
    isTest: boolean('is_test').notNull(),
    shownCount: integer('shown_count').notNull().default(0),
    enqueuedAt: at('enqueued_at').notNull(),
    startedAt: at('started_at'),
    /** Whether what a viewer wrote may be read. */
    approval: text().$type<Approval>().notNull().default('none'),
    /**
     * What is read aloud of it, and what somebody said of that; null where nothing is, or where nobody has looked yet.
     */
    speech: jsonb().$type<Partial<PlaySpeech>>(),
    /** The trigger whose run sheet plays it; null for what events choose by themselves. */
    called: jsonb().$type<Called>(),
    /** What a policy asks of it; null for what was kept before there were policies. */
    facts: jsonb().$type<PlayFacts>(),
    /** With how many others it was shown; null: alone. */
    together: jsonb().$type<Together>(),
    /** The play that shows it with others. */
    mergedInto: text('merged_into'),
  },
  (table) => [
    index('play_open')
      .on(table.boxId, table.enqueuedAt)
      .where(sql`state <> 'over'`),
    index('play_spoken')
      .on(table.enqueuedAt)
      .where(sql`speech is not null`),
    // What came to a box lately.
    index('play_came').on(table.boxId, table.enqueuedAt),
    index('play_merged')
      .on(table.mergedInto)
      .where(sql`merged_into is not null`),
  ],
)
