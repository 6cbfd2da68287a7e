CREATE TABLE "linking" (
	"id" text PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"platform" text NOT NULL,
	"verifier" text,
	"expires_at" timestamp with time zone NOT NULL,
	"feed_id" text
);
--> statement-breakpoint
ALTER TABLE "feed" ADD COLUMN "account" text;--> statement-breakpoint
ALTER TABLE "feed" ADD COLUMN "unlinked_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "linking" ADD CONSTRAINT "linking_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "linking" ADD CONSTRAINT "linking_feed_id_feed_id_fk" FOREIGN KEY ("feed_id") REFERENCES "public"."feed"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "event_viewer" ON "event" USING btree ("channel_id","kind",(data -> 'viewer' ->> 'id'),"occurred_at");