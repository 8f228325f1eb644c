-- How long the same is borne becomes the painter's own to say.
UPDATE "project" SET "planning" = '{"bores": {"stageSeconds": 1800, "unitSeconds": 5400}}'::jsonb || "planning";
