import { getTableName, sql, type SQL } from 'drizzle-orm'
import { getTableConfig, type PgTable } from 'drizzle-orm/pg-core'
import { broadcast, broadcastMark, broadcastsTold } from './broadcastSchema.ts'
import { goal, goalCorrection, refund } from './goalSchema.ts'
import { deskAct, effect, event, lane, play, removal } from './liveSchema.ts'
import { passkey, trail } from './peopleSchema.ts'
import { galleryChannel } from './queries/packs.ts'
import * as base from './schema.ts'
import { campaign, campaignClicks, campaignRotation, campaignTurn } from './sponsorSchema.ts'
import { checkout, tipPage } from './tipSchema.ts'
import { balance, counter, gateState, gateUses, pointsEntry, run, standIn, studio, trigger } from './triggerSchema.ts'

/** A table that a backup keeps. */
export interface KeptTable {
  name: string
  table: PgTable
  /** Its rows that belong to a channel. */
  of: (channelId: string) => SQL
  /** By what its rows are told apart, in order. */
  key: string[]
  /** What is kept instead of a column: secrets of people, and what holds only while a server runs. */
  instead: Record<string, SQL>
  /** It holds nothing but what people keep to themselves: only the backup of a whole server has it. */
  isSecret: boolean
  /** It is the history, which has a form that other programs read. */
  isHistory: boolean
}

const inChannel = (channelId: string) => sql`of.channel_id = ${channelId}`
const boxes = (channelId: string) => sql`(select id from box where channel_id = ${channelId})`
const feeds = (channelId: string) => sql`(select id from feed where channel_id = ${channelId})`
/** Packs of a channel, and those that ship as far as one of its boxes is made of them. */
const packs = (
  channelId: string,
) => sql`(of.channel_id = ${channelId} or (of.channel_id = ${galleryChannel} and exists (
  select 1 from box, jsonb_array_elements(box.draft -> 'packs') taken
  where box.channel_id = ${channelId} and taken ->> 'shelfId' = of.id)))`
/** Members, and whoever is named by what stays: who put something on air, who invited. */
const people = (channelId: string) => sql`of.id in (
  select person_id from membership where channel_id = ${channelId}
  union select published_by from box_version where box_id in ${boxes(channelId)}
  union select made_by from invitation where channel_id = ${channelId}
  union select used_by from invitation where channel_id = ${channelId})`

function kept(
  table: PgTable,
  of: KeptTable['of'] = inChannel,
  more: Partial<Pick<KeptTable, 'instead' | 'isSecret' | 'isHistory'>> = {},
): KeptTable {
  const { columns, primaryKeys } = getTableConfig(table)
  const key = primaryKeys[0]?.columns ?? columns.filter(({ primary }) => primary)
  return {
    ...{ name: getTableName(table), table, of, key: key.map(({ name }) => name) },
    ...{ instead: {}, isSecret: false, isHistory: false, ...more },
  }
}

/**
 * Everything of a channel. Each stands before what it refers to: a backup is taken in
 * this order while the server runs, so that whatever a row refers to is in it, and put back in the other.
 *
 * Left out is what holds only while a server runs or a day lasts: sessions, linkings that were begun, files on their way, counts of
 * tries, nodes, marks of clicks; and what links and devices of people are let in by.
 */
export const keptTables: readonly KeptTable[] = [
  ...[kept(campaignClicks), kept(campaignTurn), kept(campaignRotation), kept(campaign)],
  ...[kept(broadcastsTold), kept(broadcastMark), kept(broadcast)],
  ...[kept(refund), kept(checkout), kept(tipPage), kept(goalCorrection), kept(goal)],
  kept(standIn, (id) => sql`of.feed_id in ${feeds(id)}`),
  ...[kept(studio), kept(counter), kept(run), kept(pointsEntry), kept(balance)],
  ...[kept(gateUses), kept(gateState), kept(trigger)],
  ...[kept(trail), kept(deskAct), kept(removal)],
  kept(play, (id) => sql`of.box_id in ${boxes(id)}`),
  kept(effect),
  kept(event, inChannel, { isHistory: true }),
  kept(lane, inChannel, { instead: { owner: sql`null`, left_at: sql`null` } }),
  kept(base.delivery, (id) => sql`of.feed_id in ${feeds(id)}`),
  kept(base.feed),
  kept(
    base.media,
    (id) => sql`(of.channel_id = ${id} or of.channel_id in (select pack.id from pack where pack.channel_id = ${id}))`,
  ),
  kept(base.pack, packs),
  kept(base.boxVersion, (id) => sql`of.box_id in ${boxes(id)}`),
  kept(base.box),
  ...[kept(base.apiKey), kept(base.invitation), kept(base.membership)],
  kept(passkey, () => sql`false`, { isSecret: true }),
  kept(base.person, people, { instead: { password_hash: sql`''` } }),
  kept(base.channel, (id) => sql`of.id = ${id}`),
]
