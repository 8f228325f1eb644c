-- How much paint changes and trips to spray are minded becomes the painter's own to say.
UPDATE "project" SET "planning" = '{"fuss": "usual"}'::jsonb || "planning";
