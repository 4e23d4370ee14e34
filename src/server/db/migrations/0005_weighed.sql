ALTER TABLE "shelf" ADD COLUMN "verdict" text DEFAULT 'open' NOT NULL;--> statement-breakpoint
ALTER TABLE "shelf" ADD COLUMN "weighed" jsonb;--> statement-breakpoint
ALTER TABLE "shelf" ADD COLUMN "learning" real;