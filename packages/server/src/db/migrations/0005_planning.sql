-- Projects from before have one painter with nothing special.
ALTER TABLE "project" ADD COLUMN "planning" jsonb NOT NULL DEFAULT '{"painters":[{"id":"you","name":"You","pace":1,"cannot":[],"rules":[],"off":[],"dropped":[],"extra":[]}],"teamwork":"free","aims":["date"],"first":[],"pins":[],"sprayPlaces":1,"airbrushes":1,"rackPlaces":null,"sprayHours":null,"skipShare":0.1}';--> statement-breakpoint
ALTER TABLE "project" ALTER COLUMN "planning" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "stage" ADD COLUMN "next_within_seconds" integer;--> statement-breakpoint
ALTER TABLE "unit" ADD COLUMN "joined_to_unit" uuid;--> statement-breakpoint
ALTER TABLE "unit" ADD COLUMN "joined_at_stage" uuid;--> statement-breakpoint
ALTER TABLE "stage" ADD CONSTRAINT "stage_next_within_not_negative" CHECK ("stage"."next_within_seconds" >= 0);--> statement-breakpoint
ALTER TABLE "unit" ADD CONSTRAINT "unit_joined_whole" CHECK (("unit"."joined_to_unit" is null) = ("unit"."joined_at_stage" is null));--> statement-breakpoint
ALTER TABLE "unit" ADD CONSTRAINT "unit_joined_to_another" CHECK ("unit"."joined_to_unit" <> "unit"."id");