CREATE TABLE "goal" (
	"channel_id" text NOT NULL,
	"id" text NOT NULL,
	"document" jsonb NOT NULL,
	"revision" integer DEFAULT 0 NOT NULL,
	"sum" bigint DEFAULT 0 NOT NULL,
	"is_stale" boolean DEFAULT false NOT NULL,
	"told" jsonb NOT NULL,
	"is_start_told" boolean DEFAULT false NOT NULL,
	"ended_at" timestamp with time zone,
	CONSTRAINT "goal_channel_id_id_pk" PRIMARY KEY("channel_id","id")
);
--> statement-breakpoint
CREATE TABLE "goal_correction" (
	"id" text PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"goal_id" text NOT NULL,
	"amount" bigint NOT NULL,
	"why" text NOT NULL,
	"by_name" text NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "refund" (
	"event_id" text PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "channel" ADD COLUMN "goals_basis" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "goal" ADD CONSTRAINT "goal_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goal_correction" ADD CONSTRAINT "goal_correction_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "refund" ADD CONSTRAINT "refund_event_id_event_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."event"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "refund" ADD CONSTRAINT "refund_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "goal_correction_of" ON "goal_correction" USING btree ("channel_id","goal_id");