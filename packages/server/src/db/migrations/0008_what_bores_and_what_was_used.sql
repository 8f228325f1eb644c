-- How long the same is borne, and what is held to the line's row, becomes the painter's own to say.
UPDATE "project" SET "planning" =
  '{"bores": {"stageSeconds": 1800, "unitSeconds": 5400}, "held": {"all": false, "batches": [], "stages": []}}'::jsonb || "planning";--> statement-breakpoint
-- What is painted apart may have a size of its own.
UPDATE "recipe" SET "document" = '{"subAssemblies": []}'::jsonb || "document";--> statement-breakpoint
-- The log says what was used, or is wanted, instead of what the recipe says.
ALTER TABLE "progress_event" DROP CONSTRAINT "progress_event_shape";--> statement-breakpoint
ALTER TABLE "progress_event" ADD COLUMN "mix" jsonb;--> statement-breakpoint
ALTER TABLE "progress_event" ADD CONSTRAINT "progress_event_shape" CHECK (case
        when "progress_event"."kind" in ('punched', 'cleared', 'touch-up', 'clock-started')
          then "progress_event"."stage_id" is not null and "progress_event"."target_id" is null
        when "progress_event"."kind" = 'judged'
          then "progress_event"."stage_id" is not null and "progress_event"."target_id" is null and "progress_event"."verdict" is not null
        when "progress_event"."kind" = 'used'
          then "progress_event"."stage_id" is not null and "progress_event"."target_id" is null and "progress_event"."mix" is not null
        when "progress_event"."kind" = 'milestone'
          then "progress_event"."stage_id" is null and "progress_event"."target_id" is null and "progress_event"."work_seconds" > 0
        when "progress_event"."kind" in ('clock-stopped', 'lap-corrected', 'undone')
          then "progress_event"."stage_id" is null and "progress_event"."target_id" is not null
        else false end);