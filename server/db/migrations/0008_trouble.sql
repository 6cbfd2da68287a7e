CREATE TABLE "heartbeat" (
	"id" text PRIMARY KEY NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
-- Writes what changed about plays, one by one by their keys: as one statement over all of them it read the whole table
-- wherever the planner knew too little of it. In the order of keys, so that two that write at once cannot block each other.
create function thundercrest_record_plays(given_records jsonb)
returns void
language plpgsql
as $record$
declare
  given record;
begin
  for given in
    select * from jsonb_to_recordset(given_records) as x(
      "id" text, "state" text, "reason" text, "shownCount" integer, "startedAt" timestamptz, "isStartGone" boolean,
      "endedAt" timestamptz, "lengthMs" integer
    )
    order by x."id"
  loop
    update play set
      state = coalesce(given."state", state),
      reason = coalesce(given."reason", reason),
      shown_count = coalesce(given."shownCount", shown_count),
      started_at = case when given."isStartGone" then null else coalesce(given."startedAt", started_at) end,
      ended_at = coalesce(given."endedAt", ended_at),
      length_ms = coalesce(given."lengthMs", length_ms)
    where play.id = given."id";
  end loop;
end
$record$;
