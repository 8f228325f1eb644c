ALTER TABLE "progress_event" DROP CONSTRAINT "progress_event_shape";--> statement-breakpoint
ALTER TABLE "progress_event" ADD CONSTRAINT "progress_event_shape" CHECK (case
        when "progress_event"."kind" in ('punched', 'cleared', 'touch-up', 'clock-started')
          then "progress_event"."stage_id" is not null and "progress_event"."target_id" is null
        when "progress_event"."kind" in ('judged', 'felt')
          then "progress_event"."stage_id" is not null and "progress_event"."target_id" is null and "progress_event"."verdict" is not null
        when "progress_event"."kind" = 'inspected'
          then "progress_event"."stage_id" is null and "progress_event"."target_id" is null and "progress_event"."verdict" is not null
        when "progress_event"."kind" = 'used'
          then "progress_event"."stage_id" is not null and "progress_event"."target_id" is null and "progress_event"."mix" is not null
        when "progress_event"."kind" = 'milestone'
          then "progress_event"."stage_id" is null and "progress_event"."target_id" is null and "progress_event"."work_seconds" > 0
        when "progress_event"."kind" in ('clock-stopped', 'lap-corrected', 'undone')
          then "progress_event"."stage_id" is null and "progress_event"."target_id" is not null
        else false end);