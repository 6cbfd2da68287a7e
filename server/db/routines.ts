import { createHash } from 'node:crypto'
import { getTableColumns, getTableName } from 'drizzle-orm'
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core'
import { effect, event, play } from './liveSchema.ts'
import { pointsEntry, run } from './triggerSchema.ts'

/** A function of the database: what is asked in one round trip, with a plan that the session keeps. */
export interface Routine {
  /** Ends with a hash of what it does: servers of different versions on one database each have their own. */
  name: string
  sql: string
}

function routine(name: string, define: (name: string) => string): Routine {
  const hash = createHash('sha256').update(define('')).digest('hex').slice(0, 10)
  const full = `thundercrest_${name}_${hash}`
  return { name: full, sql: define(full) }
}

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
const effects = shapeOf('effects', effect)
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

/**
 * Writes events, what they cause and the feeds' tallies: all of it or nothing, in one round trip. As a plain statement,
 * planning it took longer than running it. What was seen before is left as it is, with what it caused; so is the second of
 * two that are the same. Answers the ids of the events that were new. Whoever is to be woken is told with the commit.
 */
export const keepDecided = routine(
  'keep',
  (name) => `
create function ${name}(
  ${events.parameters}, ${effects.parameters}, ${plays.parameters}, given_runs jsonb, given_earned jsonb,
  given_tallies jsonb, given_wake text
)
returns setof text
language plpgsql
as $keep$
begin
  if given_wake is not null then
    perform pg_notify('thundercrest', given_wake);
  end if;
  return query
  with fresh as (
    insert into ${events.name} (${events.columns}) select ${events.values}
    from ${events.rows}
    on conflict (channel_id, source, external_id) do nothing
    returning event.id
  ), caused as (
    insert into ${effects.name} (${effects.columns}) select ${effects.values}
    from ${effects.rows}
    where own."eventId" in (select fresh.id from fresh)
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
    select entered.channel_id, entered.viewer_id, max(given."name"), sum(entered.change)
    from (select channel_id, viewer_id, sum(change) as change from entered group by channel_id, viewer_id) as entered
      join (
        select distinct on (given."channelId", given."viewerId") given."channelId", given."viewerId", given."name"
        from ${earned.rows}
      ) as given on given."channelId" = entered.channel_id and given."viewerId" = entered.viewer_id
    group by entered.channel_id, entered.viewer_id
    order by entered.channel_id, entered.viewer_id
    on conflict (channel_id, viewer_id) do update set points = balance.points + excluded.points, name = excluded.name
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
      length_ms = coalesce(given."lengthMs", play.length_ms)
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

/**
 * Says that a node lives, for so long from now on, and answers who else does and which lanes are its own. By the clock of the
 * database alone: nobody's own is asked.
 */
export const renewNode = routine(
  'renew',
  (name) => `
create function ${name}(given_mark jsonb, given_lease integer)
returns jsonb
language plpgsql
as $renew$
declare
  mine text := given_mark ->> 'id';
begin
  insert into node (id, machine, process, seal, seen_at, lease_until)
  values (
    mine, given_mark ->> 'machine', given_mark ->> 'process', given_mark ->> 'seal', clock_timestamp(),
    clock_timestamp() + given_lease * interval '1 millisecond'
  )
  on conflict (id) do update set seen_at = excluded.seen_at, lease_until = excluded.lease_until;
  return jsonb_build_object(
    'nodes', (
      select coalesce(jsonb_agg(jsonb_build_object('id', id, 'machine', machine, 'process', process, 'seal', seal)), '[]'::jsonb)
      from node where lease_until > clock_timestamp()
    ),
    'holds', (
      select coalesce(jsonb_agg(jsonb_build_object('lane', id, 'epoch', epoch)), '[]'::jsonb) from lane where owner = mine
    )
  );
end
$renew$`,
)

/**
 * Takes free lanes: those without an owner, or whose owner's lease has run out or who is known to be gone. One node claims at a
 * time. All lanes of a channel go to one node, where another has some of them to that one; of the channels that are free, a
 * node takes no more than its share, so that several that start together divide them.
 */
export const claimLanes = routine(
  'claim',
  (name) => `
create function ${name}(given_node text, given_gone jsonb, given_alone boolean)
returns table (lane text, epoch integer, channel_id text, left_at timestamptz)
language plpgsql
as $claim$
#variable_conflict use_column
declare
  alive text[];
  share integer;
begin
  perform pg_advisory_xact_lock(7410258);
  select coalesce(array_agg(node.id), '{}') into alive from node
  where node.lease_until > clock_timestamp() and not given_gone ? node.id and (node.id = given_node or not given_alone);
  select ceil(count(distinct lane.channel_id)::numeric / greatest(1, cardinality(alive))) into share from lane
  where lane.owner is null or lane.owner <> all (alive);
  return query
  with free as (
    select lane.id, lane.channel_id, case when lane.owner is null then lane.left_at else node.seen_at end as left_at
    from lane
      left join node on node.id = lane.owner
    where (lane.owner is null or lane.owner <> all (alive))
      -- What is put away has no line that anybody carries out.
      and (
        lane.id = 'channel:' || lane.channel_id
        or exists (select 1 from box where 'box:' || box.id = lane.id and box.put_away_at is null)
      )
      and not exists (
        select 1 from lane as other
        where other.channel_id = lane.channel_id and other.owner = any (alive) and other.owner <> given_node
      )
  ), chosen as (
    select distinct free.channel_id from free
    order by free.channel_id limit share
  ), taken as (
    update lane set owner = given_node, epoch = lane.epoch + 1, left_at = null
    from free
    where lane.id = free.id and (
      free.channel_id in (select chosen.channel_id from chosen)
      or exists (select 1 from lane as own where own.channel_id = free.channel_id and own.owner = given_node)
    )
    returning lane.id, lane.epoch, lane.channel_id, free.left_at
  )
  select taken.id, taken.epoch, taken.channel_id, taken.left_at from taken;
end
$claim$`,
)

/**
 * Writes what became of what viewers asked for: how gates stand, what was charged or given back, how far runs are. All of it
 * or nothing, in one round trip, and only for the owner of the channel's lane. Of two ledger entries for the same thing the
 * first stays, and balances follow what was really entered. What is over stays over. Answers whether the lane was still the
 * writer's.
 */
export const settleCalls = routine(
  'settle',
  (name) => `
create function ${name}(given_channel text, given_lane text, given_epoch integer, given jsonb)
returns boolean
language plpgsql
as $settle$
declare
  entry record;
begin
  perform 1 from lane where lane.id = given_lane and lane.epoch = given_epoch for share;
  if not found then
    return false;
  end if;
  insert into gate_state (channel_id, trigger_id, state)
  select given_channel, one ->> 'triggerId', one -> 'state' from jsonb_array_elements(given -> 'states') as one
  on conflict (channel_id, trigger_id) do update set state = excluded.state;
  insert into gate_uses (channel_id, trigger_id, viewer_id, uses)
  select given_channel, one ->> 'triggerId', one ->> 'viewerId', one -> 'uses' from jsonb_array_elements(given -> 'uses') as one
  on conflict (channel_id, viewer_id, trigger_id) do update set uses = excluded.uses;
  for entry in
    with entered as (
      insert into points_entry (channel_id, viewer_id, change, why, reference, at)
      select given_channel, one ->> 'viewerId', (one ->> 'change')::bigint, one ->> 'why', one ->> 'reference',
        (one ->> 'at')::timestamptz
      from jsonb_array_elements(given -> 'entries') as one
      on conflict (channel_id, reference) do nothing
      returning viewer_id, change
    )
    select entered.viewer_id, sum(entered.change) as change from entered group by entered.viewer_id order by entered.viewer_id
  loop
    insert into balance (channel_id, viewer_id, name)
    select given_channel, entry.viewer_id, coalesce(
      (select one ->> 'name' from jsonb_array_elements(given -> 'entries') as one where one ->> 'viewerId' = entry.viewer_id limit 1),
      ''
    )
    on conflict (channel_id, viewer_id) do nothing;
    update balance set points = points + entry.change where channel_id = given_channel and viewer_id = entry.viewer_id;
  end loop;
  insert into counter (channel_id, name, value)
  select given_channel, one ->> 'name', (one ->> 'value')::bigint from jsonb_array_elements(given -> 'counters') as one
  on conflict (channel_id, name) do update set value = excluded.value;
  update run set
    progress = coalesce(one ->> 'progress', run.progress),
    "end" = coalesce(one ->> 'end', run."end"),
    reason = coalesce(one ->> 'reason', run.reason),
    reserved = case when one ? 'reserved' then nullif(one -> 'reserved', 'null'::jsonb) else run.reserved end,
    started_at = coalesce((one ->> 'startedAt')::timestamptz, run.started_at),
    ended_at = coalesce((one ->> 'endedAt')::timestamptz, run.ended_at),
    done = coalesce(one -> 'done', run.done),
    task = coalesce(one ->> 'task', run.task)
  from jsonb_array_elements(given -> 'runs') as one
  where run.id = one ->> 'id' and run.progress <> 'over';
  if given -> 'studio' <> 'null'::jsonb then
    update studio set kept = given -> 'studio' where studio.channel_id = given_channel;
  end if;
  return true;
end
$settle$`,
)

export const routines: readonly Routine[] = [keepDecided, recordPlays, renewNode, claimLanes, settleCalls]
