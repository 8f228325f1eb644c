ALTER TABLE "unit" DROP CONSTRAINT "unit_size_known";--> statement-breakpoint
ALTER TABLE "unit" ADD CONSTRAINT "unit_size_known" CHECK ("unit"."size" in ('small', 'foot', 'large foot', 'mounted', 'large', 'very large', 'huge'));--> statement-breakpoint
-- Steps may leave regions out and count what is set by itself; materials say how they come, how they dry and when they can be wiped.
CREATE FUNCTION steps_made_whole(steps jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
  SELECT coalesce(jsonb_agg('{"except": [], "count": null}'::jsonb || step ORDER BY place), '[]'::jsonb)
  FROM jsonb_array_elements(steps) WITH ORDINALITY AS of(step, place)
$$;--> statement-breakpoint
UPDATE "recipe" SET "document" = "document" || jsonb_build_object(
  'steps', steps_made_whole("document" -> 'steps'),
  'versions', (
    SELECT coalesce(jsonb_agg(version || jsonb_build_object('steps', steps_made_whole(version -> 'steps')) ORDER BY place), '[]'::jsonb)
    FROM jsonb_array_elements(coalesce("document" -> 'versions', '[]'::jsonb)) WITH ORDINALITY AS of(version, place)
  )
);--> statement-breakpoint
DROP FUNCTION steps_made_whole(jsonb);--> statement-breakpoint
UPDATE "material" SET "document" = jsonb_build_object(
  'form', null,
  'sheen', null,
  'workable', CASE "document" ->> 'kind'
    WHEN 'oil' THEN '{"min": 300, "max": 1800}'::jsonb
    WHEN 'dip' THEN '{"min": 0, "max": 300}'::jsonb
    ELSE 'null'::jsonb
  END
) || "document";
--> statement-breakpoint
-- Water is always there.
INSERT INTO "material" ("id", "document")
SELECT '01930000-0000-7000-8001-000000000066', '{"id": "01930000-0000-7000-8001-000000000066", "name": "water", "kind": "medium", "colour": "#ffffff", "form": null, "sheen": null, "carrier": "water", "opacity": 0, "dryingMinSeconds": 300, "dryingMaxSeconds": 900, "workable": null, "coverage": 100, "reactivates": false, "stockMl": 1000, "potMl": 0}'
WHERE EXISTS (SELECT 1 FROM "material")
  AND NOT EXISTS (SELECT 1 FROM "material" WHERE lower("document" ->> 'name') = 'water' AND "removed_at" IS NULL)
ON CONFLICT DO NOTHING;
