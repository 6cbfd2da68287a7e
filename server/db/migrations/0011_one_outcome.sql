DROP TABLE "decision" CASCADE;--> statement-breakpoint
ALTER TABLE "play" DROP CONSTRAINT "play_box_id_box_id_fk";
--> statement-breakpoint
ALTER TABLE "play" DROP CONSTRAINT "play_event_id_event_id_fk";
--> statement-breakpoint
DROP INDEX "play_open";--> statement-breakpoint
CREATE INDEX "play_open" ON "play" USING btree ("box_id","enqueued_at") WHERE state <> 'over';--> statement-breakpoint
DROP INDEX "play_ended";--> statement-breakpoint
ALTER TABLE "play" DROP CONSTRAINT "play_version_id_box_version_id_fk";--> statement-breakpoint
ALTER TABLE "play" DROP COLUMN "reason";--> statement-breakpoint
ALTER TABLE "play" DROP COLUMN "ended_at";--> statement-breakpoint
ALTER TABLE "intake" ADD COLUMN "taken_by" text;
--> statement-breakpoint
-- What the server asks in one call is written from the schema where it starts; see server/db/routines.
drop function thundercrest_keep_decided(jsonb, jsonb, jsonb, jsonb);
--> statement-breakpoint
drop function thundercrest_record_plays(jsonb);
