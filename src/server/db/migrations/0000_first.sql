CREATE TABLE "documents" (
	"id" text PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"parent_id" text,
	"revision" integer DEFAULT 0 NOT NULL,
	"schema" integer NOT NULL,
	"body" jsonb NOT NULL,
	"origin_schema" integer NOT NULL,
	"origin" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "edits" (
	"document_id" text NOT NULL,
	"revision" integer NOT NULL,
	"edit_id" text NOT NULL,
	"command" jsonb NOT NULL,
	"inverse" jsonb NOT NULL,
	"touches" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "edits_document_id_revision_pk" PRIMARY KEY("document_id","revision"),
	CONSTRAINT "edits_edit_id_unique" UNIQUE("edit_id")
);
--> statement-breakpoint
CREATE TABLE "shelf" (
	"version_id" text PRIMARY KEY NOT NULL,
	"song_id" text NOT NULL,
	"title" text NOT NULL,
	"by" text NOT NULL,
	"version_name" text NOT NULL,
	"key" text NOT NULL,
	"bpm" real NOT NULL,
	"meter" text NOT NULL,
	"bars" integer NOT NULL,
	"seconds" real NOT NULL,
	"players" text[] NOT NULL
);
--> statement-breakpoint
ALTER TABLE "edits" ADD CONSTRAINT "edits_document_id_documents_id_fk" FOREIGN KEY ("document_id") REFERENCES "public"."documents"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shelf" ADD CONSTRAINT "shelf_version_id_documents_id_fk" FOREIGN KEY ("version_id") REFERENCES "public"."documents"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shelf" ADD CONSTRAINT "shelf_song_id_documents_id_fk" FOREIGN KEY ("song_id") REFERENCES "public"."documents"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "documents_kind" ON "documents" USING btree ("kind");--> statement-breakpoint
CREATE INDEX "documents_parent" ON "documents" USING btree ("parent_id");--> statement-breakpoint
CREATE INDEX "shelf_song" ON "shelf" USING btree ("song_id");--> statement-breakpoint
CREATE INDEX "shelf_title" ON "shelf" USING btree ("title");