CREATE TABLE "pack" (
	"id" text PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"pack_id" text NOT NULL,
	"release" text NOT NULL,
	"manifest" jsonb NOT NULL,
	"digest" text NOT NULL,
	"added_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "media" DROP CONSTRAINT "media_channel_id_channel_id_fk";
--> statement-breakpoint
CREATE UNIQUE INDEX "pack_digest" ON "pack" USING btree ("channel_id","digest");