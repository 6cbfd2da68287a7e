ALTER TABLE "play" ADD COLUMN "facts" jsonb;--> statement-breakpoint
ALTER TABLE "play" ADD COLUMN "together" jsonb;--> statement-breakpoint
ALTER TABLE "play" ADD COLUMN "merged_into" text;--> statement-breakpoint
CREATE INDEX "play_came" ON "play" USING btree ("box_id","enqueued_at");--> statement-breakpoint
CREATE INDEX "play_merged" ON "play" USING btree ("merged_into") WHERE merged_into is not null;