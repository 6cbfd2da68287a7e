CREATE TABLE "intake" (
	"id" text PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"name" text NOT NULL,
	"size_bytes" bigint NOT NULL,
	"state" text NOT NULL,
	"reason" text DEFAULT '' NOT NULL,
	"advice" text DEFAULT '' NOT NULL,
	"can_decode_here" boolean DEFAULT false NOT NULL,
	"media_id" text,
	"arrived_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "media" ADD COLUMN "size_bytes" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "media" ADD COLUMN "tags" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "media" ADD COLUMN "measured" jsonb;--> statement-breakpoint
ALTER TABLE "media" ADD COLUMN "measured_by" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "media" ADD COLUMN "poster_id" text;--> statement-breakpoint
ALTER TABLE "media" ADD COLUMN "strip_id" text;--> statement-breakpoint
ALTER TABLE "media" ADD COLUMN "added_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "media" ADD COLUMN "deleted_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "intake" ADD CONSTRAINT "intake_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "intake_order" ON "intake" USING btree ("channel_id","arrived_at");