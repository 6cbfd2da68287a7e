CREATE TABLE "campaign" (
	"channel_id" text NOT NULL,
	"id" text NOT NULL,
	"document" jsonb NOT NULL,
	"revision" integer DEFAULT 0 NOT NULL,
	"code" text NOT NULL,
	"removed_at" timestamp with time zone,
	CONSTRAINT "campaign_channel_id_id_pk" PRIMARY KEY("channel_id","id")
);
--> statement-breakpoint
CREATE TABLE "campaign_clicks" (
	"channel_id" text NOT NULL,
	"campaign_id" text NOT NULL,
	"day" integer NOT NULL,
	"clicks" integer DEFAULT 0 NOT NULL,
	CONSTRAINT "campaign_clicks_channel_id_campaign_id_day_pk" PRIMARY KEY("channel_id","campaign_id","day")
);
--> statement-breakpoint
CREATE TABLE "campaign_rotation" (
	"channel_id" text PRIMARY KEY NOT NULL,
	"state" jsonb NOT NULL,
	"line_at" timestamp with time zone,
	"alert_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "campaign_turn" (
	"id" text PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"campaign_id" text NOT NULL,
	"shown_by" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"is_seen" boolean DEFAULT false NOT NULL,
	"watching" integer DEFAULT 0 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "click_mark" (
	"day" integer NOT NULL,
	"mark" text NOT NULL,
	CONSTRAINT "click_mark_day_mark_pk" PRIMARY KEY("day","mark")
);
--> statement-breakpoint
CREATE TABLE "click_salt" (
	"day" integer PRIMARY KEY NOT NULL,
	"salt" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "feed" ADD COLUMN "watching" integer;--> statement-breakpoint
ALTER TABLE "feed" ADD COLUMN "watching_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "campaign" ADD CONSTRAINT "campaign_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "campaign_clicks" ADD CONSTRAINT "campaign_clicks_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "campaign_rotation" ADD CONSTRAINT "campaign_rotation_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "campaign_turn" ADD CONSTRAINT "campaign_turn_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "campaign_code" ON "campaign" USING btree ("code");--> statement-breakpoint
CREATE INDEX "campaign_turn_order" ON "campaign_turn" USING btree ("channel_id","at");