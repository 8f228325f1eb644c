UPDATE "project" SET "planning" = '{"holders": []}'::jsonb || "planning";
