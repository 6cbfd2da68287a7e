CREATE TABLE "removal" (
	"id" text PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"source" text NOT NULL,
	"external_id" text,
	"viewer_id" text,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "box" ADD COLUMN "is_board" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "removal" ADD CONSTRAINT "removal_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "removal_order" ON "removal" USING btree ("channel_id","at");