import { boolean, index, integer, jsonb, pgTable, primaryKey, text, timestamp, uniqueIndex } from 'drizzle-orm/pg-core'
import type { RotationState } from '../../core/campaign/rotation.ts'
import type { Campaign } from '../../core/campaign/schema.ts'
import { channel } from './schema.ts'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })
const ofChannel = () =>
  text('channel_id')
    .notNull()
    .references(() => channel.id)

/** What a sponsor wants said. */
export const campaign = pgTable(
  'campaign',
  {
    channelId: ofChannel(),
    id: text().notNull(),
    document: jsonb().$type<Campaign>().notNull(),
    /** Counts up with every change of the document. */
    revision: integer().notNull().default(0),
    /** What its short address ends in. */
    code: text().notNull(),
    /** Since when it is put away; its figures stay. */
    removedAt: at('removed_at'),
  },
  (table) => [primaryKey({ columns: [table.channelId, table.id] }), uniqueIndex('campaign_code').on(table.code)],
)

/** Whose turn it was, of a channel: so that shares are held over restarts. */
export const campaignRotation = pgTable('campaign_rotation', {
  channelId: text('channel_id')
    .primaryKey()
    .references(() => channel.id),
  state: jsonb().$type<RotationState>().notNull(),
  lineAt: at('line_at'),
  alertAt: at('alert_at'),
})

/** One turn of a campaign. */
export const campaignTurn = pgTable(
  'campaign_turn',
  {
    id: text().primaryKey(),
    channelId: ofChannel(),
    campaignId: text('campaign_id').notNull(),
    shownBy: text('shown_by').$type<Campaign['shownBy']>().notNull(),
    at: at('at').notNull(),
    /** A source showed the whole of it. */
    isSeen: boolean('is_seen').notNull().default(false),
    /** How many watched then, as feeds said. */
    watching: integer().notNull().default(0),
  },
  (table) => [index('campaign_turn_order').on(table.channelId, table.at)],
)

/** How often links were followed on a day, days being those of the channel since 1970. */
export const campaignClicks = pgTable(
  'campaign_clicks',
  {
    channelId: ofChannel(),
    campaignId: text('campaign_id').notNull(),
    day: integer().notNull(),
    clicks: integer().notNull().default(0),
  },
  (table) => [primaryKey({ columns: [table.channelId, table.campaignId, table.day] })],
)

/** Who followed a link on a day, as nobody can tell any more once the day's salt is thrown away. */
export const clickMark = pgTable('click_mark', { day: integer().notNull(), mark: text().notNull() }, (table) => [
  primaryKey({ columns: [table.day, table.mark] }),
])
export const clickSalt = pgTable('click_salt', { day: integer().primaryKey(), salt: text().notNull() })
