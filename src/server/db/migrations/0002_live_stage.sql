CREATE TABLE "guests" (
	"id" text PRIMARY KEY NOT NULL,
	"opening_id" text NOT NULL,
	"token_hash" text NOT NULL,
	"role" text NOT NULL,
	"person" text,
	"joined_at" timestamp with time zone DEFAULT now() NOT NULL,
	"removed_at" timestamp with time zone,
	CONSTRAINT "guests_token_hash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "live_events" (
	"evening_id" text NOT NULL,
	"id" integer NOT NULL,
	"at" double precision NOT NULL,
	"press_id" text NOT NULL,
	"act" jsonb NOT NULL,
	CONSTRAINT "live_events_evening_id_id_pk" PRIMARY KEY("evening_id","id"),
	CONSTRAINT "live_events_press_id_unique" UNIQUE("press_id")
);
--> statement-breakpoint
CREATE TABLE "live_states" (
	"evening_id" text PRIMARY KEY NOT NULL,
	"state" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "openings" (
	"id" text PRIMARY KEY NOT NULL,
	"evening_id" text NOT NULL,
	"port" integer NOT NULL,
	"secure" boolean NOT NULL,
	"salt" text NOT NULL,
	"passphrase_hash" text NOT NULL,
	"player_code" text,
	"viewer_code" text,
	"opened_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "stage_notes" (
	"version_id" text NOT NULL,
	"person" text NOT NULL,
	"use_id" text NOT NULL,
	"text" text NOT NULL,
	CONSTRAINT "stage_notes_version_id_person_use_id_pk" PRIMARY KEY("version_id","person","use_id")
);
--> statement-breakpoint
ALTER TABLE "guests" ADD CONSTRAINT "guests_opening_id_openings_id_fk" FOREIGN KEY ("opening_id") REFERENCES "public"."openings"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_events" ADD CONSTRAINT "live_events_evening_id_documents_id_fk" FOREIGN KEY ("evening_id") REFERENCES "public"."documents"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "live_states" ADD CONSTRAINT "live_states_evening_id_documents_id_fk" FOREIGN KEY ("evening_id") REFERENCES "public"."documents"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "openings" ADD CONSTRAINT "openings_evening_id_documents_id_fk" FOREIGN KEY ("evening_id") REFERENCES "public"."documents"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stage_notes" ADD CONSTRAINT "stage_notes_version_id_documents_id_fk" FOREIGN KEY ("version_id") REFERENCES "public"."documents"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "guests_opening" ON "guests" USING btree ("opening_id");