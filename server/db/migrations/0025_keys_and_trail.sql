CREATE TABLE "passkey" (
	"id" text PRIMARY KEY NOT NULL,
	"person_id" text NOT NULL,
	"name" text NOT NULL,
	"public_key" text NOT NULL,
	"counter" bigint DEFAULT 0 NOT NULL,
	"transports" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "password_link" (
	"id" text PRIMARY KEY NOT NULL,
	"person_id" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "trail" (
	"seq" bigserial PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"by_name" text NOT NULL,
	"did" text NOT NULL,
	"about" text DEFAULT '' NOT NULL,
	"detail" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
ALTER TABLE "api_key" ADD COLUMN "id" text DEFAULT gen_random_uuid()::text NOT NULL;--> statement-breakpoint
ALTER TABLE "api_key" ADD COLUMN "hint" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "api_key" ADD COLUMN "scopes" jsonb DEFAULT '["send","test","read","desk"]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "api_key" ADD COLUMN "per_minute" integer DEFAULT 6000 NOT NULL;--> statement-breakpoint
ALTER TABLE "api_key" ADD COLUMN "made_by_name" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "api_key" ADD COLUMN "made_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "api_key" ADD COLUMN "used_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "channel" ADD COLUMN "week_start" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "channel" ADD COLUMN "page_colours" jsonb;--> statement-breakpoint
ALTER TABLE "channel" ADD COLUMN "keeping" jsonb;--> statement-breakpoint
ALTER TABLE "passkey" ADD CONSTRAINT "passkey_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "password_link" ADD CONSTRAINT "password_link_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "trail" ADD CONSTRAINT "trail_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "trail_order" ON "trail" USING btree ("channel_id","seq");--> statement-breakpoint
CREATE UNIQUE INDEX "api_key_id" ON "api_key" USING btree ("channel_id","id");