import { routine } from './routine.ts'

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
