CREATE TABLE "arriving" (
	"document_id" text PRIMARY KEY NOT NULL,
	"restore_id" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "restores" (
	"id" text PRIMARY KEY NOT NULL,
	"begun_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "arriving" ADD CONSTRAINT "arriving_document_id_documents_id_fk" FOREIGN KEY ("document_id") REFERENCES "public"."documents"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "arriving" ADD CONSTRAINT "arriving_restore_id_restores_id_fk" FOREIGN KEY ("restore_id") REFERENCES "public"."restores"("id") ON DELETE cascade ON UPDATE no action;