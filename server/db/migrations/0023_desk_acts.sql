CREATE TABLE "desk_act" (
	"seq" bigserial PRIMARY KEY NOT NULL,
	"channel_id" text NOT NULL,
	"box_id" text,
	"at" timestamp with time zone NOT NULL,
	"by_name" text NOT NULL,
	"did" text NOT NULL,
	"play_id" text
);
--> statement-breakpoint
ALTER TABLE "desk_act" ADD CONSTRAINT "desk_act_channel_id_channel_id_fk" FOREIGN KEY ("channel_id") REFERENCES "public"."channel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "desk_act_order" ON "desk_act" USING btree ("channel_id","seq");