-- Steps may leave regions out, and materials say how they come, how they dry and when they can be wiped.
CREATE FUNCTION steps_with_except(steps jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
  SELECT coalesce(jsonb_agg('{"except": []}'::jsonb || step ORDER BY place), '[]'::jsonb)
  FROM jsonb_array_elements(steps) WITH ORDINALITY AS of(step, place)
$$;--> statement-breakpoint
UPDATE "recipe" SET "document" = "document" || jsonb_build_object(
  'steps', steps_with_except("document" -> 'steps'),
  'versions', (
    SELECT coalesce(jsonb_agg(version || jsonb_build_object('steps', steps_with_except(version -> 'steps')) ORDER BY place), '[]'::jsonb)
    FROM jsonb_array_elements(coalesce("document" -> 'versions', '[]'::jsonb)) WITH ORDINALITY AS of(version, place)
  )
);--> statement-breakpoint
DROP FUNCTION steps_with_except(jsonb);--> statement-breakpoint
UPDATE "material" SET "document" = jsonb_build_object(
  'form', null,
  'sheen', null,
  'workable', CASE "document" ->> 'kind'
    WHEN 'oil' THEN '{"min": 300, "max": 1800}'::jsonb
    WHEN 'dip' THEN '{"min": 0, "max": 300}'::jsonb
    ELSE 'null'::jsonb
  END
) || "document";
