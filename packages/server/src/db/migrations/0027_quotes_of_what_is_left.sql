UPDATE "quote" SET "document" = "document" || '{"leftAt":null}'::jsonb;
