ALTER TABLE "model" ADD COLUMN "variants" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "stage" ADD COLUMN "limits" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "unit" ADD COLUMN "standard" text DEFAULT 'display' NOT NULL;--> statement-breakpoint
ALTER TABLE "unit" ADD CONSTRAINT "unit_standard_known" CHECK ("unit"."standard" in ('three-colour', 'tabletop', 'tabletop plus', 'display'));--> statement-breakpoint
UPDATE "recipe" SET "document" = "document"
  || jsonb_build_object(
    'versions', coalesce("document" -> 'versions', '[]'::jsonb),
    'regions', (
      SELECT coalesce(jsonb_agg('{"apart": ""}'::jsonb || "each"."region" ORDER BY "each"."place"), '[]'::jsonb)
      FROM jsonb_array_elements("document" -> 'regions') WITH ORDINALITY AS "each" ("region", "place")
    )
  );
