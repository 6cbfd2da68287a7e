CREATE TABLE "effect" (
	"id" text PRIMARY KEY NOT NULL,
	"event_id" text NOT NULL,
	"channel_id" text NOT NULL,
	"lane" text NOT NULL,
	"kind" text NOT NULL,
	"is_again" boolean DEFAULT false NOT NULL,
	"decided" text NOT NULL,
	"why" jsonb,
	"outcome" text,
	"reason" text DEFAULT '' NOT NULL,
	"outcome_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "lane" (
	"id" text PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"owner" text,
	"epoch" integer DEFAULT 0 NOT NULL,
	"left_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "node" (
	"id" text PRIMARY KEY NOT NULL,
	"machine" text NOT NULL,
	"process" text NOT NULL,
	"seal" text NOT NULL,
	"seen_at" timestamp with time zone NOT NULL,
	"lease_until" timestamp with time zone NOT NULL
);
--> statement-breakpoint
-- What was decided, and what became of it, moves into one row for each event and box. A great deal of it may be there: read
-- as a whole, and indexed afterwards.
set local enable_seqscan = on;
--> statement-breakpoint
insert into effect (id, event_id, channel_id, lane, kind, is_again, decided, why, outcome, reason, outcome_at)
select
  coalesce(play.id, 'effect-' || decision.event_id || '-' || decision.box_id), event.id, event.channel_id, 'box:' || decision.box_id, 'alert', false,
  decision.reason, decision.why,
  case
    when play.id is null and decision.reason like 'The score of %cannot be played%' then 'failed'
    when play.id is null then 'off'
    when play.state in ('waiting', 'preparing', 'playing') then null
    when play.state = 'done' then 'played'
    else play.state
  end,
  coalesce(play.reason, decision.reason),
  case
    when play.id is null then event.received_at
    when play.state in ('waiting', 'preparing', 'playing') then null
    else coalesce(play.ended_at, play.enqueued_at)
  end
from decision join event on event.id = decision.event_id left join play on play.id = decision.play_id;
--> statement-breakpoint
-- What was shown again was decided once: the decision is that of its event.
insert into effect (id, event_id, channel_id, lane, kind, is_again, decided, why, outcome, reason, outcome_at)
select
  play.id, event.id, event.channel_id, 'box:' || play.box_id, 'alert', true, coalesce(decision.reason, ''), decision.why,
  case when play.state in ('waiting', 'preparing', 'playing') then null when play.state = 'done' then 'played' else play.state end,
  play.reason,
  case when play.state in ('waiting', 'preparing', 'playing') then null else coalesce(play.ended_at, play.enqueued_at) end
from play join event on event.id = play.event_id
  left join decision on decision.event_id = play.event_id and decision.box_id = play.box_id
where decision.play_id is distinct from play.id;
--> statement-breakpoint
update play set state = 'over' where state not in ('waiting', 'preparing', 'playing');
--> statement-breakpoint
insert into lane (id, channel_id, left_at)
select 'box:' || box.id, box.channel_id, (select heartbeat.at from heartbeat where heartbeat.id = 'server') from box;
--> statement-breakpoint
delete from heartbeat where id = 'server';
--> statement-breakpoint
ALTER TABLE "lane" ADD CONSTRAINT "lane_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "effect_event" ON "effect" USING btree ("event_id");--> statement-breakpoint
CREATE INDEX "effect_settled" ON "effect" USING btree ("lane","outcome_at") WHERE outcome <> 'off';