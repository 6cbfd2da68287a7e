CREATE TABLE "balance" (
	"channel_id" text NOT NULL,
	"viewer_id" text NOT NULL,
	"name" text NOT NULL,
	"points" bigint DEFAULT 0 NOT NULL,
	CONSTRAINT "balance_channel_id_viewer_id_pk" PRIMARY KEY("channel_id","viewer_id"),
	CONSTRAINT "balance_not_negative" CHECK (points >= 0)
);
--> statement-breakpoint
CREATE TABLE "counter" (
	"channel_id" text NOT NULL,
	"name" text NOT NULL,
	"value" bigint DEFAULT 0 NOT NULL,
	CONSTRAINT "counter_channel_id_name_pk" PRIMARY KEY("channel_id","name")
);
--> statement-breakpoint
CREATE TABLE "gate_state" (
	"channel_id" text NOT NULL,
	"trigger_id" text NOT NULL,
	"state" jsonb NOT NULL,
	CONSTRAINT "gate_state_channel_id_trigger_id_pk" PRIMARY KEY("channel_id","trigger_id")
);
--> statement-breakpoint
CREATE TABLE "gate_uses" (
	"channel_id" text NOT NULL,
	"trigger_id" text NOT NULL,
	"viewer_id" text NOT NULL,
	"uses" jsonb NOT NULL,
	CONSTRAINT "gate_uses_channel_id_viewer_id_trigger_id_pk" PRIMARY KEY("channel_id","viewer_id","trigger_id")
);
--> statement-breakpoint
CREATE TABLE "points_entry" (
	"seq" bigserial PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"viewer_id" text NOT NULL,
	"change" bigint NOT NULL,
	"why" text NOT NULL,
	"reference" text NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "run" (
	"seq" bigserial PRIMARY KEY NOT NULL,
	"id" text NOT NULL,
	"channel_id" text NOT NULL,
	"trigger_id" text NOT NULL,
	"trigger_name" text NOT NULL,
	"event_id" text NOT NULL,
	"event" jsonb NOT NULL,
	"by" text NOT NULL,
	"viewer_id" text,
	"viewer_name" text NOT NULL,
	"input" text NOT NULL,
	"is_paid" boolean NOT NULL,
	"progress" text NOT NULL,
	"end" text,
	"reason" text DEFAULT '' NOT NULL,
	"reserved" jsonb,
	"asked_at" timestamp with time zone NOT NULL,
	"started_at" timestamp with time zone,
	"ended_at" timestamp with time zone,
	"done" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"task" text,
	CONSTRAINT "run_id_unique" UNIQUE("id")
);
--> statement-breakpoint
CREATE TABLE "stand_in" (
	"feed_id" text NOT NULL,
	"kind" text NOT NULL,
	"id" text NOT NULL,
	"content" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "stand_in_feed_id_kind_id_pk" PRIMARY KEY("feed_id","kind","id")
);
--> statement-breakpoint
CREATE TABLE "studio" (
	"channel_id" text PRIMARY KEY NOT NULL,
	"secret" text NOT NULL,
	"kept" jsonb,
	CONSTRAINT "studio_secret_unique" UNIQUE("secret")
);
--> statement-breakpoint
CREATE TABLE "trigger" (
	"channel_id" text NOT NULL,
	"id" text NOT NULL,
	"position" integer DEFAULT 0 NOT NULL,
	"document" jsonb NOT NULL,
	"revision" integer DEFAULT 0 NOT NULL,
	"put_away_at" timestamp with time zone,
	CONSTRAINT "trigger_channel_id_id_pk" PRIMARY KEY("channel_id","id")
);
--> statement-breakpoint
ALTER TABLE "channel" ADD COLUMN "calls" jsonb;--> statement-breakpoint
ALTER TABLE "channel" ADD COLUMN "has_stand_ins" boolean;--> statement-breakpoint
ALTER TABLE "channel" ADD COLUMN "stream_began_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "play" ADD COLUMN "called" jsonb;--> statement-breakpoint
ALTER TABLE "studio" ADD CONSTRAINT "studio_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "trigger" ADD CONSTRAINT "trigger_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "balance_most" ON "balance" USING btree ("channel_id","points");--> statement-breakpoint
CREATE UNIQUE INDEX "points_entry_reference" ON "points_entry" USING btree ("channel_id","reference");--> statement-breakpoint
CREATE INDEX "points_entry_viewer" ON "points_entry" USING btree ("channel_id","viewer_id","seq");--> statement-breakpoint
CREATE INDEX "run_open" ON "run" USING btree ("channel_id","seq") WHERE progress <> 'over';--> statement-breakpoint
CREATE INDEX "run_newest" ON "run" USING btree ("channel_id","seq");--> statement-breakpoint
CREATE INDEX "run_task" ON "run" USING btree ("channel_id","seq") WHERE task = 'waiting';--> statement-breakpoint
-- Every channel has a line of what its viewers set off.
insert into "lane" ("id", "channel_id") select 'channel:' || "id", "id" from "channel" on conflict do nothing;
