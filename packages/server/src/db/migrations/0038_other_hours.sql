-- An evening of a project may have hours of its own.
ALTER TABLE "project" ADD COLUMN "also_at" jsonb DEFAULT '[]'::jsonb NOT NULL;
