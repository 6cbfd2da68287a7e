ALTER TABLE "box" ADD COLUMN "position" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "box" ADD COLUMN "put_away_at" timestamp with time zone;