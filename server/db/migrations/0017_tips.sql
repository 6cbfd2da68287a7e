CREATE TABLE "checkout" (
	"id" text PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"feed_id" text NOT NULL,
	"request_id" text NOT NULL,
	"amount_minor" bigint NOT NULL,
	"currency" text NOT NULL,
	"name" text NOT NULL,
	"message" text NOT NULL,
	"choice" text,
	"state" text DEFAULT 'open' NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"paid_at" timestamp with time zone,
	"refunded_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "tip_page" (
	"channel_id" text PRIMARY KEY NOT NULL,
	"document" jsonb NOT NULL,
	"revision" integer DEFAULT 0 NOT NULL
);
--> statement-breakpoint
ALTER TABLE "checkout" ADD CONSTRAINT "checkout_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tip_page" ADD CONSTRAINT "tip_page_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "checkout_request" ON "checkout" USING btree ("channel_id","request_id");--> statement-breakpoint
CREATE INDEX "checkout_newest" ON "checkout" USING btree ("channel_id","created_at");