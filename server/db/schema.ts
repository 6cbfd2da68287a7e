import { sql } from 'drizzle-orm'
import {
  bigint,
  boolean,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
} from 'drizzle-orm/pg-core'
import type { BoxDocument } from '../../core/composition/box.ts'
import type { Manifest } from '../../core/pack/manifest.ts'
import type { SpeechSettings } from '../../core/speech/settings.ts'
import type { PageColours } from '../../core/tip/pageLook.ts'
import type { CallSettings } from '../../core/triggers/settings.ts'
import type { IntakeView, Measured } from '../../contract/media.ts'
import type { Keeping } from '../../contract/channelSettings.ts'
import type { Scope } from '../../contract/keys.ts'
import type { Role } from '../../contract/views.ts'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

export const channel = pgTable('channel', {
  id: text().primaryKey(),
  name: text().notNull(),
  locale: text().notNull(),
  timeZone: text('time_zone').notNull(),
  currency: text().notNull(),
  /** What one minor unit of another currency is worth in minor units of the channel's. */
  rates: jsonb().$type<Record<string, number>>().notNull().default({}),
  /** How it reads aloud; null: as a channel begins with. */
  speech: jsonb().$type<SpeechSettings>(),
  /** What its triggers share; null: as a channel begins with. */
  calls: jsonb().$type<CallSettings>(),
  /** Counts up with everything that decides what events bring goals: what was decided before is added up anew. */
  goalsBasis: integer('goals_basis').notNull().default(0),
  /** Whether simulated platforms, chat and studio answer here; null: as the server says. */
  hasStandIns: boolean('has_stand_ins'),
  /** When the stream began that goes on, or was the last. */
  streamBeganAt: at('stream_began_at'),
  /** The day that its week begins with: 1 Monday to 7 Sunday. */
  weekStart: integer('week_start').notNull().default(1),
  /** The colours of its public pages; null: those that the product ships with. */
  pageColours: jsonb('page_colours').$type<PageColours>(),
  /** How long it keeps what it keeps; null: for good. */
  keeping: jsonb().$type<Keeping>(),
})

export const person = pgTable('person', {
  id: text().primaryKey(),
  email: text().notNull().unique(),
  name: text().notNull(),
  passwordHash: text('password_hash').notNull(),
})

export const membership = pgTable(
  'membership',
  {
    channelId: text('channel_id')
      .notNull()
      .references(() => channel.id),
    personId: text('person_id')
      .notNull()
      .references(() => person.id),
    role: text().$type<Role>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.channelId, table.personId] })],
)

/** `id` is the hash of what the cookie seals: reading this table signs nobody in. */
export const session = pgTable('session', {
  id: text().primaryKey(),
  personId: text('person_id')
    .notNull()
    .references(() => person.id),
  expiresAt: at('expires_at').notNull(),
  /** The channel that is worked in; null, or one that the person has left: whichever comes first. */
  channelId: text('channel_id').references(() => channel.id),
  madeAt: at('made_at').notNull().defaultNow(),
  seenAt: at('seen_at').notNull().defaultNow(),
  /** What it was begun with, as people know it: “Chromium on Linux”. Empty: nobody knows. */
  browser: text().notNull().default(''),
})

/** Somebody is asked to join a channel: by a link that works once. `id` is the hash of its secret. */
export const invitation = pgTable('invitation', {
  id: text().primaryKey(),
  channelId: text('channel_id')
    .notNull()
    .references(() => channel.id),
  role: text().$type<Role>().notNull(),
  /** Whom it is for, as whoever invited wrote it. */
  note: text().notNull(),
  madeBy: text('made_by')
    .notNull()
    .references(() => person.id),
  madeAt: at('made_at').notNull(),
  expiresAt: at('expires_at').notNull(),
  usedBy: text('used_by').references(() => person.id),
  usedAt: at('used_at'),
})

export const feed = pgTable('feed', {
  id: text().primaryKey(),
  channelId: text('channel_id')
    .notNull()
    .references(() => channel.id),
  platform: text().notNull(),
  name: text().notNull(),
  /** Standard Webhooks secret; a shared key, so it must be kept readable. */
  secret: text().notNull(),
  acceptedCount: integer('accepted_count').notNull().default(0),
  repeatedCount: integer('repeated_count').notNull().default(0),
  rejectedCount: integer('rejected_count').notNull().default(0),
  /** Deliveries turned away unsigned, wrongly signed or stale. */
  refusedCount: integer('refused_count').notNull().default(0),
  lastDeliveryAt: at('last_delivery_at'),
  lagMs: bigint('lag_ms', { mode: 'number' }),
  /** How many watch there, as it said last, and when that was. */
  watching: integer(),
  watchingAt: at('watching_at'),
  /** The account that was linked, as the platform names it; null for a feed that was set up by hand. */
  account: text(),
  /** Since when it is not heard any more; what it said stays. */
  unlinkedAt: at('unlinked_at'),
})

/** A linking that was begun: what must come back to finish it. */
export const linking = pgTable('linking', {
  /** OAuth's state, or the code that is posted in the chat. Kept as its hash. */
  id: text().primaryKey(),
  channelId: text('channel_id')
    .notNull()
    .references(() => channel.id),
  platform: text().notNull(),
  /** PKCE's verifier; null for a code in the chat. */
  verifier: text(),
  expiresAt: at('expires_at').notNull(),
  /** The feed that it led to. */
  feedId: text('feed_id').references(() => feed.id),
})

/** How often somebody tried to sign in lately. Named and filled as the rate limiter's PostgreSQL store does it. */
export const signInTry = pgTable('sign_in_try', {
  key: text().primaryKey(),
  points: integer().notNull().default(0),
  /** Epoch milliseconds. */
  expire: bigint({ mode: 'number' }),
})

/** When each part of the program was last known to run. */
export const heartbeat = pgTable('heartbeat', {
  id: text().primaryKey(),
  at: at('at').notNull(),
})

/** A program's key: only its hash is kept. */
export const apiKey = pgTable(
  'api_key',
  {
    hash: text().primaryKey(),
    /** What pages call it: says nothing of the key. */
    id: text()
      .notNull()
      .default(sql`gen_random_uuid()::text`),
    channelId: text('channel_id')
      .notNull()
      .references(() => channel.id),
    name: text().notNull(),
    /** How it begins, so that people tell theirs apart. */
    hint: text().notNull().default(''),
    scopes: jsonb().$type<Scope[]>().notNull().default(['send', 'test', 'read', 'desk']),
    /** Requests that it may make in a minute. */
    perMinute: integer('per_minute').notNull().default(6_000),
    /** As they were called then. */
    madeByName: text('made_by_name').notNull().default(''),
    madeAt: at('made_at').notNull().defaultNow(),
    /** To the minute; null: never. */
    usedAt: at('used_at'),
  },
  (table) => [uniqueIndex('api_key_id').on(table.channelId, table.id)],
)

export const box = pgTable('box', {
  id: text().primaryKey(),
  channelId: text('channel_id')
    .notNull()
    .references(() => channel.id),
  name: text().notNull(),
  draft: jsonb().$type<BoxDocument>().notNull(),
  draftRevision: integer('draft_revision').notNull().default(0),
  /** Whether the draft says something else than what is on air. Kept, so that nobody has to compare; true where nothing is. */
  isDraftOther: boolean('is_draft_other').notNull().default(true),
  /** A board: it stays on the screen. What is in its document says so, too. */
  isBoard: boolean('is_board').notNull().default(false),
  /** The secret in the browser source's address. Shown again on request, so kept readable. */
  sourceToken: text('source_token').notNull().unique(),
  onAirVersionId: text('on_air_version_id'),
  isHeld: boolean('is_held').notNull().default(false),
  /** Nothing of it is heard. */
  isSilent: boolean('is_silent').notNull().default(false),
  /** Where it stands among the channel's boxes; of the same place, the older one first. */
  position: integer().notNull().default(0),
  /** Since when it is put away: it shows nothing and is not listed, and can be brought back. */
  putAwayAt: at('put_away_at'),
  /** Since when no source is connected; null while one is. */
  absentSince: at('absent_since').default(sql`now()`),
})

/** What was put on air, kept for good: a waiting play is drawn from the version that it was decided with. */
export const boxVersion = pgTable(
  'box_version',
  {
    id: text().primaryKey(),
    boxId: text('box_id')
      .notNull()
      .references(() => box.id),
    number: integer().notNull(),
    document: jsonb().$type<BoxDocument>().notNull(),
    publishedAt: at('published_at').notNull(),
    publishedBy: text('published_by')
      .notNull()
      .references(() => person.id),
  },
  (table) => [uniqueIndex('box_version_number').on(table.boxId, table.number)],
)

export const media = pgTable(
  'media',
  {
    /** The channel in whose library it lies; or the pack that brings it, while no box took that. */
    channelId: text('channel_id').notNull(),
    /** SHA-256 of the file. */
    id: text().notNull(),
    name: text().notNull(),
    kind: text().$type<'picture' | 'sound' | 'font'>().notNull(),
    mime: text().notNull(),
    widthPx: integer('width_px'),
    heightPx: integer('height_px'),
    durationMs: integer('duration_ms'),
    licence: text().notNull(),
    sizeBytes: bigint('size_bytes', { mode: 'number' }).notNull().default(0),
    tags: jsonb().$type<string[]>().notNull().default([]),
    /** What was measured of it; null until it was. */
    measured: jsonb().$type<Measured>(),
    /** Which measuring found that out; older ones are measured again where the server starts. */
    measuredBy: integer('measured_by').notNull().default(0),
    /** Pictures of it, by their hashes. */
    posterId: text('poster_id'),
    stripId: text('strip_id'),
    addedAt: at('added_at')
      .notNull()
      .default(sql`now()`),
    /** Since when it is out of the library. Its file stays for what was put on air with it. */
    deletedAt: at('deleted_at'),
  },
  (table) => [primaryKey({ columns: [table.channelId, table.id] }), index('media_id').on(table.id)],
)

/**
 * A file on its way into the library. Its bytes lie in the uploads folder under its id until it is ready or refused.
 */
export const intake = pgTable(
  'intake',
  {
    id: text().primaryKey(),
    channelId: text('channel_id')
      .notNull()
      .references(() => channel.id),
    name: text().notNull(),
    sizeBytes: bigint('size_bytes', { mode: 'number' }).notNull(),
    state: text().$type<IntakeView['state']>().notNull(),
    reason: text().notNull().default(''),
    advice: text().notNull().default(''),
    canDecodeHere: boolean('can_decode_here').notNull().default(false),
    mediaId: text('media_id'),
    /** The node that measures it, or did last. */
    takenBy: text('taken_by'),
    arrivedAt: at('arrived_at')
      .notNull()
      .default(sql`now()`),
  },
  (table) => [index('intake_order').on(table.channelId, table.arrivedAt)],
)

/** A raw delivery that was signed but not understood, or the newest one of a feed, for inspection. */
export const delivery = pgTable(
  'delivery',
  {
    id: text().primaryKey(),
    feedId: text('feed_id')
      .notNull()
      .references(() => feed.id),
    webhookId: text('webhook_id').notNull(),
    receivedAt: at('received_at').notNull(),
    isUnderstood: boolean('is_understood').notNull(),
    raw: text().notNull(),
    note: text().notNull(),
  },
  (table) => [index('delivery_order').on(table.feedId, table.receivedAt)],
)

/**
 * A pack on the shelf: of one channel, or one that ships with the product. It stays as the designer made it; boxes that
 * took it refer to it. Its files stand in `media` under its own id as their channel, until a box takes them into the
 * channel's library.
 */
export const pack = pgTable(
  'pack',
  {
    id: text().primaryKey(),
    channelId: text('channel_id').notNull(),
    packId: text('pack_id').notNull(),
    release: text().notNull(),
    /** Its files by the addresses that they have here. */
    manifest: jsonb().$type<Manifest>().notNull(),
    /** SHA-256 of what came: the same pack is kept once. */
    digest: text().notNull(),
    addedAt: at('added_at')
      .notNull()
      .default(sql`now()`),
  },
  (table) => [uniqueIndex('pack_digest').on(table.channelId, table.digest)],
)
