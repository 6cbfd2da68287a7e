CREATE TABLE "api_key" (
	"hash" text PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"name" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "box" (
	"id" text PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"name" text NOT NULL,
	"draft" jsonb NOT NULL,
	"draft_revision" integer DEFAULT 0 NOT NULL,
	"source_token" text NOT NULL,
	"on_air_version_id" text,
	"is_held" boolean DEFAULT false NOT NULL,
	"absent_since" timestamp with time zone DEFAULT now(),
	CONSTRAINT "box_source_token_unique" UNIQUE("source_token")
);
--> statement-breakpoint
CREATE TABLE "box_version" (
	"id" text PRIMARY KEY NOT NULL,
	"box_id" text NOT NULL,
	"number" integer NOT NULL,
	"document" jsonb NOT NULL,
	"published_at" timestamp with time zone NOT NULL,
	"published_by" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "channel" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"locale" text NOT NULL,
	"time_zone" text NOT NULL,
	"currency" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "decision" (
	"event_id" text NOT NULL,
	"box_id" text NOT NULL,
	"outcome" text NOT NULL,
	"variation_name" text,
	"play_id" text,
	"reason" text NOT NULL,
	CONSTRAINT "decision_event_id_box_id_pk" PRIMARY KEY("event_id","box_id")
);
--> statement-breakpoint
CREATE TABLE "delivery" (
	"id" text PRIMARY KEY NOT NULL,
	"feed_id" text NOT NULL,
	"webhook_id" text NOT NULL,
	"received_at" timestamp with time zone NOT NULL,
	"is_understood" boolean NOT NULL,
	"raw" text NOT NULL,
	"note" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "event" (
	"seq" bigserial PRIMARY KEY NOT NULL,
	"id" text NOT NULL,
	"channel_id" text NOT NULL,
	"source" text NOT NULL,
	"external_id" text NOT NULL,
	"kind" text NOT NULL,
	"data" jsonb NOT NULL,
	"occurred_at" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone NOT NULL,
	"is_test" boolean DEFAULT false NOT NULL,
	CONSTRAINT "event_id_unique" UNIQUE("id")
);
--> statement-breakpoint
CREATE TABLE "feed" (
	"id" text PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"platform" text NOT NULL,
	"name" text NOT NULL,
	"secret" text NOT NULL,
	"accepted_count" integer DEFAULT 0 NOT NULL,
	"repeated_count" integer DEFAULT 0 NOT NULL,
	"rejected_count" integer DEFAULT 0 NOT NULL,
	"refused_count" integer DEFAULT 0 NOT NULL,
	"last_delivery_at" timestamp with time zone,
	"lag_ms" bigint
);
--> statement-breakpoint
CREATE TABLE "media" (
	"channel_id" text NOT NULL,
	"id" text NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"mime" text NOT NULL,
	"width_px" integer,
	"height_px" integer,
	"duration_ms" integer,
	"licence" text NOT NULL,
	CONSTRAINT "media_channel_id_id_pk" PRIMARY KEY("channel_id","id")
);
--> statement-breakpoint
CREATE TABLE "membership" (
	"channel_id" text NOT NULL,
	"person_id" text NOT NULL,
	"role" text NOT NULL,
	CONSTRAINT "membership_channel_id_person_id_pk" PRIMARY KEY("channel_id","person_id")
);
--> statement-breakpoint
CREATE TABLE "person" (
	"id" text PRIMARY KEY NOT NULL,
	"email" text NOT NULL,
	"name" text NOT NULL,
	"password_hash" text NOT NULL,
	CONSTRAINT "person_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "play" (
	"id" text PRIMARY KEY NOT NULL,
	"box_id" text NOT NULL,
	"event_id" text NOT NULL,
	"version_id" text NOT NULL,
	"alert_id" text NOT NULL,
	"variation_id" text NOT NULL,
	"variation_name" text NOT NULL,
	"state" text NOT NULL,
	"reason" text DEFAULT '' NOT NULL,
	"length_ms" integer NOT NULL,
	"is_test" boolean NOT NULL,
	"shown_count" integer DEFAULT 0 NOT NULL,
	"enqueued_at" timestamp with time zone NOT NULL,
	"started_at" timestamp with time zone,
	"ended_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "session" (
	"id" text PRIMARY KEY NOT NULL,
	"person_id" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "api_key" ADD CONSTRAINT "api_key_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "box" ADD CONSTRAINT "box_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "box_version" ADD CONSTRAINT "box_version_box_id_box_id_fk" FOREIGN KEY ("box_id") REFERENCES "box"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "box_version" ADD CONSTRAINT "box_version_published_by_person_id_fk" FOREIGN KEY ("published_by") REFERENCES "person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "decision" ADD CONSTRAINT "decision_event_id_event_id_fk" FOREIGN KEY ("event_id") REFERENCES "event"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "decision" ADD CONSTRAINT "decision_box_id_box_id_fk" FOREIGN KEY ("box_id") REFERENCES "box"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "delivery" ADD CONSTRAINT "delivery_feed_id_feed_id_fk" FOREIGN KEY ("feed_id") REFERENCES "feed"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "event" ADD CONSTRAINT "event_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "feed" ADD CONSTRAINT "feed_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "media" ADD CONSTRAINT "media_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "membership" ADD CONSTRAINT "membership_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "membership" ADD CONSTRAINT "membership_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "play" ADD CONSTRAINT "play_box_id_box_id_fk" FOREIGN KEY ("box_id") REFERENCES "box"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "play" ADD CONSTRAINT "play_event_id_event_id_fk" FOREIGN KEY ("event_id") REFERENCES "event"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "play" ADD CONSTRAINT "play_version_id_box_version_id_fk" FOREIGN KEY ("version_id") REFERENCES "box_version"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "session" ADD CONSTRAINT "session_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "box_version_number" ON "box_version" USING btree ("box_id","number");--> statement-breakpoint
CREATE INDEX "delivery_order" ON "delivery" USING btree ("feed_id","received_at");--> statement-breakpoint
CREATE UNIQUE INDEX "event_identity" ON "event" USING btree ("channel_id","source","external_id");--> statement-breakpoint
CREATE INDEX "event_order" ON "event" USING btree ("channel_id","seq");--> statement-breakpoint
CREATE INDEX "media_id" ON "media" USING btree ("id");--> statement-breakpoint
CREATE INDEX "play_open" ON "play" USING btree ("box_id","enqueued_at") WHERE state in ('waiting', 'preparing', 'playing');--> statement-breakpoint
CREATE INDEX "play_ended" ON "play" USING btree ("box_id","ended_at");