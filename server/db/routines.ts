import { getTableColumns, getTableName } from 'drizzle-orm'
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core'
import { settleCalls } from './callRoutines.ts'
import { claimLanes, renewNode } from './laneRoutines.ts'
import { effect, event, play } from './liveSchema.ts'
import { routine, type Routine } from './routine.ts'
import { pointsEntry, run } from './triggerSchema.ts'

/** Properties in which rows usually differ; what else they have is said once for many (see `sharedRows`). */
export const ownOf = {
  events: ['id', 'externalId', 'data', 'occurredAt'],
  effects: ['id', 'eventId'],
  plays: ['id', 'eventId'],
  records: ['id'],
} as const

/** Rows that a routine is given, by the properties and types of what they hold. `more`: what is not written with the rest. */
function given(name: keyof typeof ownOf, columns: readonly (readonly [string, string])[], more = '') {
  const isOwn = (property: string) => (ownOf[name] as readonly string[]).includes(property)
  const typed = (wanted: boolean) =>
    columns.flatMap(([property, type]) => (isOwn(property) === wanted ? [`"${property}" ${type}`] : []))
  return {
    parameters: `given_${name} jsonb, given_${name}_rests jsonb`,
    values: columns.map(([property]) => `${isOwn(property) ? 'own' : 'shared'}."${property}"`).join(', '),
    rows: `jsonb_to_recordset(given_${name}) as own(${typed(true).join(', ')}, "rest" integer)
    join jsonb_to_recordset(given_${name}_rests) as shared(${[...typed(false), more].join(', ')} "rest" integer)
      on shared."rest" = own."rest"`,
  }
}

/** What is written of a table: its columns, and where they come from. All of them, whatever is added. */
function shapeOf(name: keyof typeof ownOf, table: PgTable, leftOut: readonly string[] = [], more = '') {
  const columns = Object.entries(getTableColumns(table) as Record<string, PgColumn>).filter(
    ([property]) => !leftOut.includes(property),
  )
  return {
    name: `"${getTableName(table)}"`,
    columns: columns.map(([, column]) => `"${column.name}"`).join(', '),
    ...given(
      name,
      columns.map(([property, column]) => [property, column.getSQLType()]),
      more,
    ),
  }
}

const events = shapeOf('events', event, ['seq'], '"feedId" text,')
const effects = shapeOf('effects', effect, ['eventSeq'])
const plays = shapeOf('plays', play)
const records = given('records', [
  ['id', 'text'],
  ['state', 'text'],
  ['shownCount', 'integer'],
  ['startedAt', 'timestamptz'],
  ['isStartGone', 'boolean'],
  ['lengthMs', 'integer'],
  ['outcome', 'text'],
  ['reason', 'text'],
  ['outcomeAt', 'timestamptz'],
  ['together', 'jsonb'],
  ['mergedInto', 'text'],
])

/** Rows that are few: each says all that it has. */
function listed(name: string, table: PgTable, leftOut: readonly string[] = [], more = '') {
  const columns = Object.entries(getTableColumns(table) as Record<string, PgColumn>).filter(
    ([property]) => !leftOut.includes(property),
  )
  const typed = columns.map(([property, column]) => `"${property}" ${column.getSQLType()}`)
  return {
    name: `"${getTableName(table)}"`,
    columns: columns.map(([, column]) => `"${column.name}"`).join(', '),
    values: columns.map(([property]) => `given."${property}"`).join(', '),
    rows: `jsonb_to_recordset(given_${name}) as given(${[...typed, more].filter(Boolean).join(', ')})`,
  }
}

const runs = listed('runs', run, ['seq'])
const earned = listed('earned', pointsEntry, ['seq'], '"eventId" text, "name" text')

const counted = `jsonb_to_recordset(given_counted) as given(
      "eventId" text, "channelId" text, "goalId" text, "amount" bigint
    )`

/**
 * Writes events, what they cause, what they bring goals and the feeds' tallies: all of it or nothing, in one round trip. As a plain statement,
 * planning it took longer than running it. What was seen before is left as it is, with what it caused; so is the second of
 * two that are the same. Answers the ids of the events that were new. Whoever is to be woken is told with the commit.
 */
export const keepDecided = routine(
  'keep',
  (name) => `
create function ${name}(
  ${events.parameters}, ${effects.parameters}, ${plays.parameters}, given_runs jsonb, given_earned jsonb,
  given_counted jsonb, given_bases jsonb, given_tallies jsonb, given_wake text
)
returns setof text
language plpgsql
as $keep$
begin
  if given_wake is not null then
    perform pg_notify('thundercrest', given_wake);
  end if;
  -- First, and in the order of keys, so that two that count at once do not block each other; channels before their goals, as
  -- whoever changes a goal takes them.
  if jsonb_array_length(given_counted) > 0 then
    perform 1 from channel
    where channel.id in (select given."channelId" from ${counted})
    order by channel.id
    for key share;
    perform 1 from goal
    where (goal.channel_id, goal.id) in (select given."channelId", given."goalId" from ${counted})
    order by goal.channel_id, goal.id
    for update;
  end if;
  return query
  with fresh as (
    insert into ${events.name} (${events.columns}) select ${events.values}
    from ${events.rows}
    on conflict (channel_id, source, external_id) do nothing
    returning event.id, event.seq
  ), caused as (
    insert into ${effects.name} (${effects.columns}, event_seq) select ${effects.values}, fresh.seq
    from ${effects.rows}
      join fresh on fresh.id = own."eventId"
  ), played as (
    insert into ${plays.name} (${plays.columns}) select ${plays.values}
    from ${plays.rows}
    where own."eventId" in (select fresh.id from fresh)
  ), asked as (
    insert into ${runs.name} (${runs.columns}) select ${runs.values}
    from ${runs.rows}
    where given."eventId" in (select fresh.id from fresh)
  ), entered as (
    insert into ${earned.name} (${earned.columns}) select ${earned.values}
    from ${earned.rows}
    where given."eventId" in (select fresh.id from fresh)
    on conflict (channel_id, reference) do nothing
    returning channel_id, viewer_id, change
  ), balanced as (
    -- In the order of keys, so that two that write at once do not block each other.
    insert into balance (channel_id, viewer_id, name, points)
    select entered.channel_id, entered.viewer_id, given."name", entered.change
    from (select channel_id, viewer_id, sum(change) as change from entered group by channel_id, viewer_id) as entered
      join (
        select distinct on (given."channelId", given."viewerId") given."channelId", given."viewerId", given."name"
        from ${earned.rows}
      ) as given on given."channelId" = entered.channel_id and given."viewerId" = entered.viewer_id
    order by entered.channel_id, entered.viewer_id
    on conflict (channel_id, viewer_id) do update set points = balance.points + excluded.points, name = excluded.name
  ), summed as (
    update goal set sum = goal.sum + added.amount
    from (
      select given."channelId", given."goalId", sum(given."amount") as amount
      from ${counted}
      where given."eventId" in (select fresh.id from fresh)
      group by given."channelId", given."goalId"
    ) as added
    where goal.channel_id = added."channelId" and goal.id = added."goalId"
  ), counted as (
    select shared."feedId", count(*)::integer as accepted
    from ${events.rows}
      join fresh on fresh.id = own."id"
    group by shared."feedId"
  ), tallied as (
    update feed set
      accepted_count = accepted_count + coalesce(counted.accepted, 0),
      repeated_count = repeated_count + tally."total" - coalesce(counted.accepted, 0),
      rejected_count = rejected_count + tally."rejected",
      last_delivery_at = tally."receivedAt",
      lag_ms = coalesce(tally."lagMs", lag_ms)
    from jsonb_to_recordset(given_tallies) as tally(
      "feedId" text, "total" integer, "rejected" integer, "receivedAt" timestamptz, "lagMs" bigint
    )
    left join counted on counted."feedId" = tally."feedId"
    where feed.id = tally."feedId"
  )
  select fresh.id from fresh;
  -- Whoever changes goals has waited for what is written here, or is seen by now: then this was decided by what was before.
  update goal set is_stale = true
  from jsonb_to_recordset(given_bases) as given("channelId" text, "basis" integer)
    join channel on channel.id = given."channelId" and channel.goals_basis <> given."basis"
  where goal.channel_id = channel.id;
end
$keep$`,
)

/**
 * Writes how far plays are and what became of them, by their keys: wherever the planner knew too little of a table it read all of
 * it, so that other ways are forbidden here. In the order of keys, so that two that write at once do not block each other.
 * Only for the owner of the lane: a later owner waits until it is written, and what an earlier one still writes is
 * refused. Of two outcomes the first stays. Answers whether the lane was still the writer's.
 */
export const recordPlays = routine(
  'record',
  (name) => `
create function ${name}(${records.parameters}, given_lane text, given_epoch integer)
returns boolean
language plpgsql
set enable_seqscan = off
set enable_hashjoin = off
set enable_mergejoin = off
as $record$
begin
  perform 1 from lane where lane.id = given_lane and lane.epoch = given_epoch for share;
  if not found then
    return false;
  end if;
  with given as materialized (
    select ${records.values} from ${records.rows}
    order by own."id"
  ), moved as (
    update play set
      state = coalesce(given."state", play.state),
      shown_count = coalesce(given."shownCount", play.shown_count),
      started_at = case when given."isStartGone" then null else coalesce(given."startedAt", play.started_at) end,
      length_ms = coalesce(given."lengthMs", play.length_ms),
      together = coalesce(given."together", play.together),
      merged_into = coalesce(given."mergedInto", play.merged_into)
    from given
    where play.id = given."id" and play.state <> 'over'
  )
  update effect set
    outcome = given."outcome",
    reason = coalesce(given."reason", effect.reason),
    outcome_at = given."outcomeAt"
  from given
  where effect.id = given."id" and effect.outcome is null
    and (given."outcome" is not null or given."reason" is not null);
  return true;
end
$record$`,
)

export const routines: readonly Routine[] = [keepDecided, recordPlays, renewNode, claimLanes, settleCalls]
