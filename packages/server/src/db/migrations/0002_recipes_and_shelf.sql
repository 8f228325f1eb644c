CREATE TABLE "material" (
	"id" uuid PRIMARY KEY NOT NULL,
	"document" jsonb NOT NULL,
	"removed_at" timestamp with time zone,
	CONSTRAINT "material_document_is_its_own" CHECK ("material"."document" ->> 'id' = "material"."id"::text)
);
--> statement-breakpoint
CREATE TABLE "recipe" (
	"id" uuid PRIMARY KEY NOT NULL,
	"project_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"document" jsonb NOT NULL,
	"removed_at" timestamp with time zone,
	CONSTRAINT "recipe_document_is_its_own" CHECK ("recipe"."document" ->> 'id' = "recipe"."id"::text)
);
--> statement-breakpoint
ALTER TABLE "stage" ADD COLUMN "steps" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "recipe" ADD CONSTRAINT "recipe_project_id_project_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."project"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "material_name_once" ON "material" USING btree (lower("document" ->> 'name')) WHERE "material"."removed_at" is null;--> statement-breakpoint
CREATE INDEX "recipe_by_project" ON "recipe" USING btree ("project_id","position");