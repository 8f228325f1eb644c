ALTER TABLE "progress_event_stage" DISABLE ROW LEVEL SECURITY;--> statement-breakpoint
DROP TABLE "progress_event_stage" CASCADE;--> statement-breakpoint
ALTER TABLE "progress_event" DROP CONSTRAINT "progress_event_shape";--> statement-breakpoint
ALTER TABLE "progress_event" DROP CONSTRAINT "progress_event_work_positive";--> statement-breakpoint
ALTER TABLE "progress_event" DROP COLUMN "note";--> statement-breakpoint
ALTER TABLE "progress_event" DROP COLUMN "work_seconds";--> statement-breakpoint
ALTER TABLE "progress_event" DROP COLUMN "verdict";--> statement-breakpoint
ALTER TABLE "progress_event" DROP COLUMN "mix";--> statement-breakpoint
ALTER TABLE "progress_event" DROP COLUMN "region";--> statement-breakpoint
ALTER TABLE "progress_event" ADD CONSTRAINT "progress_event_aim" CHECK ("progress_event"."stage_id" is null or "progress_event"."target_id" is null);