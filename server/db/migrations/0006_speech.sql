ALTER TABLE "channel" ADD COLUMN "speech" jsonb;--> statement-breakpoint
ALTER TABLE "play" ADD COLUMN "approval" text DEFAULT 'none' NOT NULL;--> statement-breakpoint
ALTER TABLE "play" ADD COLUMN "speech" jsonb;--> statement-breakpoint
CREATE INDEX "play_spoken" ON "play" USING btree ("enqueued_at") WHERE speech is not null;--> statement-breakpoint
-- The same as before, with whether somebody has to let a play be read.
create or replace function thundercrest_keep_decided(given_events jsonb, given_plays jsonb, given_decisions jsonb, given_tallies jsonb)
returns setof text
language plpgsql
as $keep$
begin
  return query
  with incoming as (
    select * from jsonb_to_recordset(given_events) as x(
      "id" text, "feedId" text, "channelId" text, "source" text, "externalId" text, "kind" text, "data" jsonb,
      "occurredAt" timestamptz, "receivedAt" timestamptz, "isTest" boolean
    )
  ), fresh as (
    insert into event (id, channel_id, source, external_id, kind, data, occurred_at, received_at, is_test)
    select "id", "channelId", "source", "externalId", "kind", "data", "occurredAt", "receivedAt", "isTest" from incoming
    on conflict (channel_id, source, external_id) do nothing
    returning event.id
  ), played as (
    insert into play (id, box_id, event_id, version_id, alert_id, variation_id, variation_name, state, length_ms, is_test, enqueued_at, approval)
    select "id", "boxId", "eventId", "versionId", "alertId", "variationId", "variationName", "state", "lengthMs", "isTest", "enqueuedAt", coalesce("approval", 'none')
    from jsonb_to_recordset(given_plays) as x(
      "id" text, "boxId" text, "eventId" text, "versionId" text, "alertId" text, "variationId" text, "variationName" text,
      "state" text, "lengthMs" integer, "isTest" boolean, "enqueuedAt" timestamptz, "approval" text
    )
    where "eventId" in (select fresh.id from fresh)
  ), decided as (
    insert into decision (event_id, box_id, outcome, variation_name, play_id, reason, why)
    select "eventId", "boxId", "outcome", "variationName", "playId", "reason", "why"
    from jsonb_to_recordset(given_decisions) as x(
      "eventId" text, "boxId" text, "outcome" text, "variationName" text, "playId" text, "reason" text, "why" jsonb
    )
    where "eventId" in (select fresh.id from fresh)
  ), counted as (
    select incoming."feedId", count(*)::integer as accepted
    from fresh join incoming on incoming."id" = fresh.id
    group by incoming."feedId"
  ), tallied as (
    update feed set
      accepted_count = accepted_count + coalesce(counted.accepted, 0),
      repeated_count = repeated_count + given."total" - coalesce(counted.accepted, 0),
      rejected_count = rejected_count + given."rejected",
      last_delivery_at = given."receivedAt",
      lag_ms = coalesce(given."lagMs", lag_ms)
    from jsonb_to_recordset(given_tallies) as given(
      "feedId" text, "total" integer, "rejected" integer, "receivedAt" timestamptz, "lagMs" bigint
    )
    left join counted on counted."feedId" = given."feedId"
    where feed.id = given."feedId"
  )
  select fresh.id from fresh;
end
$keep$;
