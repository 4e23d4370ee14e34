DROP INDEX "shelf_title";--> statement-breakpoint
ALTER TABLE "shelf" ADD COLUMN "tags" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "shelf" ADD COLUMN "chords" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "shelf" ADD COLUMN "title_key" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "shelf" ADD COLUMN "rehearsed" text;--> statement-breakpoint
ALTER TABLE "shelf" ADD COLUMN "archived" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "shelf" ADD COLUMN "updated_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "shelf" ADD COLUMN "search" "tsvector" DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "shelf" ADD COLUMN "form" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
CREATE INDEX "shelf_search" ON "shelf" USING gin ("search");--> statement-breakpoint
CREATE INDEX "shelf_chords" ON "shelf" USING gin ("chords");--> statement-breakpoint
CREATE INDEX "shelf_tags" ON "shelf" USING gin ("tags");--> statement-breakpoint
CREATE INDEX "shelf_title" ON "shelf" USING btree ("title_key","version_id");