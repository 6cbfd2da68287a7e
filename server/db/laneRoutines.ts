import { routine } from './routine.ts'

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
