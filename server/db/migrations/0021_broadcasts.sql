CREATE TABLE "broadcast" (
	"id" text PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"began_at" timestamp with time zone NOT NULL,
	"begun_by" text NOT NULL,
	"last_at" timestamp with time zone NOT NULL,
	"ended_at" timestamp with time zone,
	"ended_by" text
);
--> statement-breakpoint
CREATE TABLE "broadcast_mark" (
	"seq" bigserial PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"is" text NOT NULL,
	"by" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "broadcasts_told" (
	"channel_id" text PRIMARY KEY NOT NULL,
	"event_seq" bigint DEFAULT 0 NOT NULL,
	"mark_seq" bigint DEFAULT 0 NOT NULL,
	"quiet_until" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "broadcast" ADD CONSTRAINT "broadcast_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "broadcast_mark" ADD CONSTRAINT "broadcast_mark_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "broadcasts_told" ADD CONSTRAINT "broadcasts_told_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "broadcast_order" ON "broadcast" USING btree ("channel_id","began_at");--> statement-breakpoint
CREATE INDEX "broadcast_mark_order" ON "broadcast_mark" USING btree ("channel_id","seq");