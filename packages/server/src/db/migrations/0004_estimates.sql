CREATE TABLE "air_reading" (
	"at" timestamp with time zone PRIMARY KEY NOT NULL,
	"celsius" double precision NOT NULL,
	"humidity" double precision NOT NULL,
	"source" text NOT NULL,
	CONSTRAINT "air_reading_possible" CHECK ("air_reading"."celsius" between -60 and 70 and "air_reading"."humidity" between 1 and 100)
);
--> statement-breakpoint
CREATE TABLE "brought_rate" (
	"technique" text NOT NULL,
	"size" text NOT NULL,
	"factor" double precision NOT NULL,
	"laps" double precision NOT NULL,
	CONSTRAINT "brought_rate_technique_size_pk" PRIMARY KEY("technique","size"),
	CONSTRAINT "brought_rate_positive" CHECK ("brought_rate"."factor" > 0 and "brought_rate"."laps" > 0)
);
--> statement-breakpoint
CREATE TABLE "progress_event_stage" (
	"event_id" uuid NOT NULL,
	"stage_id" uuid NOT NULL,
	"position" integer NOT NULL,
	CONSTRAINT "progress_event_stage_event_id_stage_id_pk" PRIMARY KEY("event_id","stage_id")
);
--> statement-breakpoint
ALTER TABLE "progress_event" DROP CONSTRAINT "progress_event_shape";--> statement-breakpoint
ALTER TABLE "progress_event" ADD COLUMN "work_seconds" integer;--> statement-breakpoint
ALTER TABLE "progress_event" ADD COLUMN "verdict" text;--> statement-breakpoint
ALTER TABLE "project" ADD COLUMN "first_batch" integer;--> statement-breakpoint
ALTER TABLE "stage" ADD COLUMN "technique" text;--> statement-breakpoint
ALTER TABLE "stage" ADD COLUMN "typed" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "unit" ADD COLUMN "size" text DEFAULT 'foot' NOT NULL;--> statement-breakpoint
ALTER TABLE "unit" ADD COLUMN "detail" text DEFAULT 'usual' NOT NULL;--> statement-breakpoint
ALTER TABLE "unit" ADD COLUMN "per_holder" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "unit" ADD COLUMN "pilot" uuid[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "progress_event_stage" ADD CONSTRAINT "progress_event_stage_event_id_progress_event_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."progress_event"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "progress_event_stage" ADD CONSTRAINT "progress_event_stage_stage_id_stage_id_fk" FOREIGN KEY ("stage_id") REFERENCES "public"."stage"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "progress_event" ADD CONSTRAINT "progress_event_work_positive" CHECK ("progress_event"."work_seconds" > 0);--> statement-breakpoint
ALTER TABLE "progress_event" ADD CONSTRAINT "progress_event_shape" CHECK (case
        when "progress_event"."kind" in ('punched', 'cleared', 'touch-up', 'clock-started')
          then "progress_event"."stage_id" is not null and "progress_event"."target_id" is null
        when "progress_event"."kind" = 'judged'
          then "progress_event"."stage_id" is not null and "progress_event"."target_id" is null and "progress_event"."verdict" is not null
        when "progress_event"."kind" = 'milestone'
          then "progress_event"."stage_id" is null and "progress_event"."target_id" is null and "progress_event"."work_seconds" > 0
        when "progress_event"."kind" in ('clock-stopped', 'lap-corrected', 'undone')
          then "progress_event"."stage_id" is null and "progress_event"."target_id" is not null
        else false end);--> statement-breakpoint
ALTER TABLE "project" ADD CONSTRAINT "project_first_batch_positive" CHECK ("project"."first_batch" >= 1);--> statement-breakpoint
ALTER TABLE "unit" ADD CONSTRAINT "unit_size_known" CHECK ("unit"."size" in ('small', 'foot', 'large foot', 'mounted', 'large', 'huge'));--> statement-breakpoint
ALTER TABLE "unit" ADD CONSTRAINT "unit_detail_known" CHECK ("unit"."detail" in ('plain', 'usual', 'ornate'));--> statement-breakpoint
ALTER TABLE "unit" ADD CONSTRAINT "unit_holder_positive" CHECK ("unit"."per_holder" >= 1);--> statement-breakpoint
create trigger progress_event_stage_append_only before update or delete or truncate on progress_event_stage
  for each statement execute function refuse_change();
