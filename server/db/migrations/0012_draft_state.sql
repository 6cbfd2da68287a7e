ALTER TABLE "box" ADD COLUMN "is_draft_other" boolean DEFAULT true NOT NULL;--> statement-breakpoint
-- Compared once, here; from now on kept by whoever saves or publishes.
UPDATE "box" SET "is_draft_other" = "box"."draft" IS DISTINCT FROM "box_version"."document" FROM "box_version" WHERE "box_version"."id" = "box"."on_air_version_id";
