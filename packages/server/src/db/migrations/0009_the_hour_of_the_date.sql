-- The date may have an hour; what is there has none.
UPDATE "project" SET "planning" = '{"handOver": null}'::jsonb || "planning";
