import { and, eq, inArray, isNotNull, or, sql } from 'drizzle-orm'
import type { Forgotten } from '../../../core/events/forgetViewer.ts'
import type { CanonicalEvent } from '../../../core/events/schema.ts'
import type { Database } from '../handle.ts'
import { effect, event, play } from '../liveSchema.ts'

const isAbout = (channelId: string, source: string, viewer: string) =>
  and(
    eq(event.channelId, channelId),
    eq(event.source, source),
    or(
      sql`(${event.data} -> 'viewer' ->> 'id') = ${viewer}`,
      sql`(${event.kind} = 'giftRecipient' and ${event.data} -> 'recipient' ->> 'id' = ${viewer})`,
    ),
  )

/** What a viewer did, and what others gave them. */
export const listEventsAbout = (db: Database, channelId: string, source: string, viewer: string) =>
  db
    .select({ id: event.id, data: event.data })
    .from(event)
    .where(isAbout(channelId, source, viewer))

/** Whether anything of theirs was read aloud. */
export async function wasReadAloud(db: Database, channelId: string, source: string, viewer: string): Promise<boolean> {
  const rows = await db
    .select({ id: play.id })
    .from(play)
    .innerJoin(event, eq(event.id, play.eventId))
    .where(and(isAbout(channelId, source, viewer), sql`${play.speech} is not null`))
    .limit(1)
  return rows.length > 0
}

export async function setEventData(db: Database, id: string, data: CanonicalEvent['data']): Promise<void> {
  await db.update(event).set({ data }).where(eq(event.id, id))
}

/** What plays of these events were to say is not kept any more, nor what decided about them by name or words. */
export async function setEventForgotten(db: Database, eventIds: readonly string[]): Promise<void> {
  if (eventIds.length === 0) return
  await db
    .update(play)
    .set({ speech: null })
    .where(inArray(play.eventId, [...eventIds]))
  await db
    .update(effect)
    .set({ decided: 'Somebody who was forgotten.', why: null })
    .where(and(inArray(effect.eventId, [...eventIds]), isNotNull(effect.outcome)))
}

/** Where else somebody is named: runs, points, what was taken away in chat, raw deliveries, payments, what platforms simulate. */
export async function forgetElsewhere(
  db: Database,
  channelId: string,
  { source, viewer, names, as }: { source: string; viewer: string; names: readonly string[]; as: Forgotten },
): Promise<void> {
  const whole = `${source}/${viewer}`
  const asWhole = `${source}/${as.id}`
  const person = JSON.stringify({ id: as.id, name: as.name })
  await db.execute(sql`
    update run set viewer_id = ${asWhole}, viewer_name = ${as.name}, input = '', reason = '',
      event = (jsonb_set(event, '{data,viewer}', ${person}::jsonb) #- '{data,message}') #- '{data,input}' #- '{data,arguments}'
    where channel_id = ${channelId} and viewer_id = ${whole}`)
  for (const table of ['balance', 'points_entry', 'gate_uses'])
    await db.execute(
      sql`update ${sql.identifier(table)} set viewer_id = ${asWhole} where channel_id = ${channelId} and viewer_id = ${whole}`,
    )
  await db.execute(sql`update balance set name = ${as.name} where channel_id = ${channelId} and viewer_id = ${asWhole}`)
  await db.execute(
    sql`delete from removal where channel_id = ${channelId} and source = ${source} and viewer_id = ${viewer}`,
  )
  const feeds = sql`(select id from feed where channel_id = ${channelId})`
  // As a delivery or a platform writes it: in quotation marks.
  for (const word of new Set([viewer, ...names])) {
    const quoted = JSON.stringify(word)
    await db.execute(sql`delete from delivery where feed_id in ${feeds} and strpos(raw, ${quoted}) > 0`)
    await db.execute(
      sql`delete from stand_in where feed_id in ${feeds} and kind = 'redemption' and strpos(content::text, ${quoted}) > 0`,
    )
  }
  // Names on a tip page are typed by whoever tips: the same name there is taken for the same person.
  for (const name of names)
    await db.execute(
      sql`update checkout set name = '', message = '' where channel_id = ${channelId} and name = ${name} and 'feed:' || feed_id = ${source}`,
    )
}
