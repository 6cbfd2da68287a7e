import { bigint, bigserial, index, jsonb, pgTable, text, timestamp } from 'drizzle-orm/pg-core'
import type { Deed } from '../../contract/trail.ts'
import { channel, person } from './schema.ts'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

/** What people did to a channel: who, when, and what it was about. Kept for a year. */
export const trail = pgTable(
  'trail',
  {
    seq: bigserial({ mode: 'number' }).primaryKey(),
    channelId: text('channel_id')
      .notNull()
      .references(() => channel.id),
    at: at('at').notNull(),
    /** As they were called then: whoever leaves has done it all the same. */
    byName: text('by_name').notNull(),
    did: text().$type<Deed>().notNull(),
    /** What it was done to, as it was called then. */
    about: text().notNull().default(''),
    /** What was changed of it. */
    detail: text().notNull().default(''),
  },
  (table) => [index('trail_order').on(table.channelId, table.seq)],
)

/** A link that lets a person set a password without knowing the one before. `id` is the hash of its secret. */
export const passwordLink = pgTable('password_link', {
  id: text().primaryKey(),
  personId: text('person_id')
    .notNull()
    .references(() => person.id),
  expiresAt: at('expires_at').notNull(),
  usedAt: at('used_at'),
})

/** A key that a device of a person keeps: WebAuthn's credential. */
export const passkey = pgTable('passkey', {
  /** As the device calls it, in base64url. */
  id: text().primaryKey(),
  personId: text('person_id')
    .notNull()
    .references(() => person.id),
  name: text().notNull(),
  /** In base64url. */
  publicKey: text('public_key').notNull(),
  counter: bigint({ mode: 'number' }).notNull().default(0),
  transports: jsonb().$type<string[]>().notNull().default([]),
  madeAt: at('made_at').notNull(),
  usedAt: at('used_at'),
})
