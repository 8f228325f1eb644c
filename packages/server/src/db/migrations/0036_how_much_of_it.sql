-- A step says how much of its regions it takes, and whether it matters to the painter.
CREATE FUNCTION steps_made_whole(steps jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
  SELECT coalesce(jsonb_agg('{"extent": "all of it", "matters": false}'::jsonb || step ORDER BY place), '[]'::jsonb)
  FROM jsonb_array_elements(steps) WITH ORDINALITY AS of(step, place)
$$;--> statement-breakpoint
UPDATE "recipe" SET "document" = "document" || jsonb_build_object(
  'steps', steps_made_whole("document" -> 'steps'),
  'versions', (
    SELECT coalesce(jsonb_agg(version || jsonb_build_object('steps', steps_made_whole(version -> 'steps')) ORDER BY place), '[]'::jsonb)
    FROM jsonb_array_elements(coalesce("document" -> 'versions', '[]'::jsonb)) WITH ORDINALITY AS of(version, place)
  )
);--> statement-breakpoint
DROP FUNCTION steps_made_whole(jsonb);
