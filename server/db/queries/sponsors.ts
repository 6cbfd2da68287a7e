import { randomBytes } from 'node:crypto'
import { and, asc, eq, gte, isNull, lt, sql } from 'drizzle-orm'
import type { DayFigures } from '../../../core/campaign/figures.ts'
import type { RotationState } from '../../../core/campaign/rotation.ts'
import { campaign as campaignDocument, type Campaign } from '../../../core/campaign/schema.ts'
import type { Database } from '../handle.ts'
import { rowsOf } from '../rowsOf.ts'
import { campaign, campaignClicks, campaignRotation, campaignTurn, clickMark, clickSalt } from '../sponsorSchema.ts'

export type CampaignRow = typeof campaign.$inferSelect
export type TurnRow = typeof campaignTurn.$inferSelect

const checked = (row: CampaignRow): CampaignRow => ({ ...row, document: campaignDocument.parse(row.document) })
const own = (channelId: string, id: string) => and(eq(campaign.channelId, channelId), eq(campaign.id, id))

/** The campaigns of a channel, by when they begin; those that are put away are not among them. */
export async function listCampaigns(db: Database, channelId: string): Promise<CampaignRow[]> {
  const rows = await db
    .select()
    .from(campaign)
    .where(and(eq(campaign.channelId, channelId), isNull(campaign.removedAt)))
    .orderBy(asc(sql`(document ->> 'fromMs')::bigint`), asc(campaign.id))
    .limit(200)
  return rows.map(checked)
}

/** The same with those that were put away. */
export async function listAllCampaigns(db: Database, channelId: string): Promise<CampaignRow[]> {
  return (await db.select().from(campaign).where(eq(campaign.channelId, channelId)).limit(2000)).map(checked)
}

/** Whose turn it was, and how often. */
export async function findRotation(db: Database, channelId: string): Promise<RotationState> {
  const [row] = await db.select().from(campaignRotation).where(eq(campaignRotation.channelId, channelId)).limit(1)
  return row?.state ?? {}
}

export async function findCampaignByCode(db: Database, code: string): Promise<CampaignRow | null> {
  const [row] = await db.select().from(campaign).where(eq(campaign.code, code)).limit(1)
  return row ? checked(row) : null
}

export async function addCampaign(db: Database, channelId: string, document: Campaign, code: string): Promise<void> {
  await db.insert(campaign).values({ channelId, id: document.id, document, code }).onConflictDoNothing()
}

/** @returns false where somebody else has changed it since that revision, or there is none */
export async function changeCampaign(
  db: Database,
  channelId: string,
  document: Campaign,
  revision: number,
): Promise<boolean> {
  const changed = await db
    .update(campaign)
    .set({ document, revision: revision + 1 })
    .where(and(own(channelId, document.id), eq(campaign.revision, revision)))
    .returning({ id: campaign.id })
  return changed.length > 0
}

/** Puts a campaign away, or takes it back from there. @returns false where there is none */
export async function setCampaignRemoved(
  db: Database,
  channelId: string,
  id: string,
  at: Date | null,
): Promise<boolean> {
  const changed = await db
    .update(campaign)
    .set({ removedAt: at })
    .where(own(channelId, id))
    .returning({ id: campaign.id })
  return changed.length > 0
}

const noRotation = { state: {} as RotationState, lineAt: null, alertAt: null }

/**
 * Takes a turn where one is due: what stood is read, asked for and kept in one transaction, so that of two processes that look
 * at once one takes it.
 * @param choose whose turn it is by what stood before; null: nobody's
 */
export async function takeTurn(
  db: Database,
  { id, channelId, shownBy, at, gapMs }: Pick<TurnRow, 'id' | 'channelId' | 'shownBy' | 'at'> & { gapMs: number },
  choose: (state: RotationState) => { id: string | null; state: RotationState },
): Promise<TurnRow | null> {
  return db.transaction(async (tx) => {
    await tx
      .insert(campaignRotation)
      .values({ channelId, ...noRotation })
      .onConflictDoNothing()
    const [stood] = await tx
      .select()
      .from(campaignRotation)
      .where(eq(campaignRotation.channelId, channelId))
      .for('update')
    const last = stood?.[shownBy === 'line' ? 'lineAt' : 'alertAt'] ?? null
    if (!stood || (last && at.getTime() - last.getTime() < gapMs && last <= at)) return null
    const { id: campaignId, state } = choose(stood.state)
    if (campaignId === null) return null
    await tx
      .update(campaignRotation)
      .set({ state, ...(shownBy === 'line' ? { lineAt: at } : { alertAt: at }) })
      .where(eq(campaignRotation.channelId, channelId))
    const [turn] = await tx.insert(campaignTurn).values({ id, channelId, campaignId, shownBy, at }).returning()
    return turn ?? null
  })
}

/** The line whose turn it was last. */
export async function findLastLine(db: Database, channelId: string, since: Date) {
  const [row] = await db
    .select({ turn: campaignTurn, campaign })
    .from(campaignTurn)
    .innerJoin(campaign, and(eq(campaign.channelId, campaignTurn.channelId), eq(campaign.id, campaignTurn.campaignId)))
    .where(
      and(
        eq(campaignTurn.channelId, channelId),
        eq(campaignTurn.shownBy, 'line'),
        gte(campaignTurn.at, since),
        isNull(campaign.removedAt),
      ),
    )
    .orderBy(sql`${campaignTurn.at} desc`)
    .limit(1)
  return row ? { turn: row.turn, campaign: checked(row.campaign) } : null
}

/** Keeps that a source showed the whole of a line. However many do, it is one turn. @returns whether that is new */
export async function setLineSeen(
  db: Database,
  channelId: string,
  id: string,
  watching: number,
  since: Date,
): Promise<boolean> {
  const seen = await db
    .update(campaignTurn)
    .set({ isSeen: true, watching })
    .where(
      and(
        eq(campaignTurn.id, id),
        eq(campaignTurn.channelId, channelId),
        eq(campaignTurn.shownBy, 'line'),
        eq(campaignTurn.isSeen, false),
        gte(campaignTurn.at, since),
      ),
    )
    .returning({ id: campaignTurn.id })
  return seen.length > 0
}

/** Keeps which alerts of turns have played by now: whoever plays them writes that down with the play. @returns how many that is new of */
export async function setAlertsSeen(
  db: Database,
  channelId: string,
  source: string,
  watching: number,
  since: Date,
): Promise<number> {
  const rows = rowsOf<{ id: string }>(
    await db.execute(sql`
      update campaign_turn set is_seen = true, watching = ${watching}
      where campaign_turn.channel_id = ${channelId} and shown_by = 'alert' and not is_seen
        and campaign_turn.at >= ${since.toISOString()} and exists (
          select 1 from event join effect on effect.event_id = event.id
          where event.channel_id = ${channelId} and event.source = ${source} and event.external_id = campaign_turn.id
            and effect.outcome = 'played')
      returning campaign_turn.id`),
  )
  return rows.length
}

/** What came of the campaigns of a channel, by campaign and day of its calendar, since a day. */
export async function listFigures(
  db: Database,
  channelId: string,
  timeZone: string,
  sinceDay: number,
): Promise<DayFigures[]> {
  const rows = rowsOf<Record<'campaign_id' | 'day' | 'shown' | 'impressions' | 'clicks', string>>(
    await db.execute(sql`
      with turns as (
        select campaign_id, ((at at time zone ${timeZone})::date - date '1970-01-01') as day,
          count(*) as shown, sum(watching) as impressions
        from campaign_turn where channel_id = ${channelId} and is_seen
          and at >= ${new Date((sinceDay - 1) * 86_400_000).toISOString()}
        group by 1, 2
      ), followed as (
        select campaign_id, day, clicks from campaign_clicks where channel_id = ${channelId} and day >= ${sinceDay}
      )
      select coalesce(turns.campaign_id, followed.campaign_id) as campaign_id, coalesce(turns.day, followed.day) as day,
        coalesce(shown, 0) as shown, coalesce(impressions, 0) as impressions, coalesce(clicks, 0) as clicks
      from turns full join followed on followed.campaign_id = turns.campaign_id and followed.day = turns.day
      where coalesce(turns.day, followed.day) >= ${sinceDay}
      order by 2, 1`),
  )
  return rows.map(({ campaign_id, day, shown, impressions, clicks }) => ({
    ...{ campaignId: campaign_id, day: Number(day), shown: Number(shown) },
    ...{ impressions: Number(impressions), clicks: Number(clicks) },
  }))
}

/** The salt of a day, made where it has none; those of days that are over are thrown away, with what was marked by them. */
export async function saltOf(db: Database, day: number): Promise<string> {
  const made = randomBytes(24).toString('base64url')
  const added = await db
    .insert(clickSalt)
    .values({ day, salt: made })
    .onConflictDoNothing()
    .returning({ day: clickSalt.day })
  if (added.length > 0) {
    // Channels in other zones may still have yesterday.
    await db.delete(clickSalt).where(lt(clickSalt.day, day - 1))
    await db.delete(clickMark).where(lt(clickMark.day, day - 1))
  }
  const [row] = await db.select().from(clickSalt).where(eq(clickSalt.day, day)).limit(1)
  return row?.salt ?? made
}

/** Counts that a link was followed by somebody who is marked, once on a day. @returns whether it was counted */
export async function countClick(
  db: Database,
  { channelId, id }: Pick<CampaignRow, 'channelId' | 'id'>,
  day: number,
  mark: string,
): Promise<boolean> {
  return db.transaction(async (tx) => {
    const added = await tx.insert(clickMark).values({ day, mark }).onConflictDoNothing().returning()
    if (added.length === 0) return false
    await tx
      .insert(campaignClicks)
      .values({ channelId, campaignId: id, day, clicks: 1 })
      .onConflictDoUpdate({
        target: [campaignClicks.channelId, campaignClicks.campaignId, campaignClicks.day],
        set: { clicks: sql`${campaignClicks.clicks} + 1` },
      })
    return true
  })
}
