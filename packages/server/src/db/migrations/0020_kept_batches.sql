-- What is kept together of a unit, whatever the batch size says: nothing yet.
UPDATE "project" SET "planning" = '{"batches": []}'::jsonb || "planning";
