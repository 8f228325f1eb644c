CREATE TABLE "model" (
	"id" uuid PRIMARY KEY NOT NULL,
	"unit_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"name" text NOT NULL,
	"role" text NOT NULL,
	"points" double precision NOT NULL,
	"removed_at" timestamp with time zone,
	CONSTRAINT "model_name_given" CHECK (length(trim("model"."name")) > 0),
	CONSTRAINT "model_points_not_negative" CHECK ("model"."points" >= 0)
);
--> statement-breakpoint
CREATE TABLE "progress_event" (
	"id" uuid PRIMARY KEY NOT NULL,
	"sequence" bigserial NOT NULL,
	"project_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"stage_id" uuid,
	"target_id" uuid,
	"note" text,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "progress_event_shape" CHECK (case
        when "progress_event"."kind" in ('punched', 'cleared', 'touch-up', 'clock-started')
          then "progress_event"."stage_id" is not null and "progress_event"."target_id" is null
        when "progress_event"."kind" in ('clock-stopped', 'undone')
          then "progress_event"."stage_id" is null and "progress_event"."target_id" is not null
        else false end)
);
--> statement-breakpoint
CREATE TABLE "progress_event_model" (
	"event_id" uuid NOT NULL,
	"model_id" uuid NOT NULL,
	CONSTRAINT "progress_event_model_event_id_model_id_pk" PRIMARY KEY("event_id","model_id")
);
--> statement-breakpoint
CREATE TABLE "project" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"due_on" date,
	"weekdays" smallint[] NOT NULL,
	"starts_at" text NOT NULL,
	"evening_seconds" integer NOT NULL,
	"time_zone" text NOT NULL,
	"batch_size" integer NOT NULL,
	"batches_in_hand" integer,
	"revision" integer DEFAULT 0 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"removed_at" timestamp with time zone,
	CONSTRAINT "project_name_given" CHECK (length(trim("project"."name")) > 0),
	CONSTRAINT "project_weekdays_known" CHECK ("project"."weekdays" <@ array[1,2,3,4,5,6,7]::smallint[] and cardinality("project"."weekdays") > 0),
	CONSTRAINT "project_starts_at_clock" CHECK ("project"."starts_at" ~ '^([01][0-9]|2[0-3]):[0-5][0-9]$'),
	CONSTRAINT "project_evening_positive" CHECK ("project"."evening_seconds" > 0),
	CONSTRAINT "project_batch_size_positive" CHECK ("project"."batch_size" >= 1),
	CONSTRAINT "project_in_hand_positive" CHECK ("project"."batches_in_hand" >= 1)
);
--> statement-breakpoint
CREATE TABLE "stage" (
	"id" uuid PRIMARY KEY NOT NULL,
	"project_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"name" text NOT NULL,
	"material" text NOT NULL,
	"touch_kind" text NOT NULL,
	"regions" text[] NOT NULL,
	"hands_on_seconds_per_model" integer NOT NULL,
	"set_up_seconds" integer NOT NULL,
	"drying_min_seconds" integer NOT NULL,
	"drying_max_seconds" integer NOT NULL,
	"table_ready" boolean NOT NULL,
	"cautions" text[] NOT NULL,
	"note" text NOT NULL,
	"removed_at" timestamp with time zone,
	CONSTRAINT "stage_name_given" CHECK (length(trim("stage"."name")) > 0),
	CONSTRAINT "stage_touch_known" CHECK ("stage"."touch_kind" in ('whole', 'regions', 'base')),
	CONSTRAINT "stage_regions_named" CHECK (("stage"."touch_kind" = 'regions') = (cardinality("stage"."regions") > 0)),
	CONSTRAINT "stage_times_not_negative" CHECK (least("stage"."hands_on_seconds_per_model", "stage"."set_up_seconds", "stage"."drying_min_seconds") >= 0),
	CONSTRAINT "stage_drying_in_order" CHECK ("stage"."drying_max_seconds" >= "stage"."drying_min_seconds")
);
--> statement-breakpoint
CREATE TABLE "stage_exemption" (
	"stage_id" uuid NOT NULL,
	"unit_id" uuid NOT NULL,
	CONSTRAINT "stage_exemption_stage_id_unit_id_pk" PRIMARY KEY("stage_id","unit_id")
);
--> statement-breakpoint
CREATE TABLE "unit" (
	"id" uuid PRIMARY KEY NOT NULL,
	"project_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"name" text NOT NULL,
	"removed_at" timestamp with time zone,
	CONSTRAINT "unit_name_given" CHECK (length(trim("unit"."name")) > 0)
);
--> statement-breakpoint
ALTER TABLE "model" ADD CONSTRAINT "model_unit_id_unit_id_fk" FOREIGN KEY ("unit_id") REFERENCES "public"."unit"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "progress_event" ADD CONSTRAINT "progress_event_project_id_project_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."project"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "progress_event" ADD CONSTRAINT "progress_event_stage_id_stage_id_fk" FOREIGN KEY ("stage_id") REFERENCES "public"."stage"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "progress_event" ADD CONSTRAINT "progress_event_target" FOREIGN KEY ("target_id") REFERENCES "public"."progress_event"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "progress_event_model" ADD CONSTRAINT "progress_event_model_event_id_progress_event_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."progress_event"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "progress_event_model" ADD CONSTRAINT "progress_event_model_model_id_model_id_fk" FOREIGN KEY ("model_id") REFERENCES "public"."model"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stage" ADD CONSTRAINT "stage_project_id_project_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."project"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stage_exemption" ADD CONSTRAINT "stage_exemption_stage_id_stage_id_fk" FOREIGN KEY ("stage_id") REFERENCES "public"."stage"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stage_exemption" ADD CONSTRAINT "stage_exemption_unit_id_unit_id_fk" FOREIGN KEY ("unit_id") REFERENCES "public"."unit"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "unit" ADD CONSTRAINT "unit_project_id_project_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."project"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "model_by_unit" ON "model" USING btree ("unit_id","position");--> statement-breakpoint
CREATE INDEX "progress_event_by_project" ON "progress_event" USING btree ("project_id","sequence");--> statement-breakpoint
CREATE INDEX "stage_by_project" ON "stage" USING btree ("project_id","position");--> statement-breakpoint
CREATE INDEX "unit_by_project" ON "unit" USING btree ("project_id","position");