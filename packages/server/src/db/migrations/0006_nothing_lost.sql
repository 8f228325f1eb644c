CREATE TABLE "project_change" (
	"id" uuid PRIMARY KEY NOT NULL,
	"project_id" uuid NOT NULL,
	"revision" integer NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"device" uuid NOT NULL,
	"device_number" integer NOT NULL,
	"painter" text,
	"commands" jsonb NOT NULL,
	"verdicts" jsonb NOT NULL,
	"undo" jsonb NOT NULL,
	"touched" text[] NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "project_summary" (
	"project_id" uuid PRIMARY KEY NOT NULL,
	"made_of" text NOT NULL,
	"summary" jsonb NOT NULL,
	"times" jsonb
);
--> statement-breakpoint
ALTER TABLE "progress_event" ADD COLUMN "device" uuid;--> statement-breakpoint
ALTER TABLE "progress_event" ADD COLUMN "device_number" integer;--> statement-breakpoint
ALTER TABLE "progress_event" ADD COLUMN "painter" text;--> statement-breakpoint
ALTER TABLE "progress_event" ADD COLUMN "dry_seconds" integer;--> statement-breakpoint
ALTER TABLE "progress_event" ADD COLUMN "worth_seconds" integer;--> statement-breakpoint
ALTER TABLE "progress_event" ADD COLUMN "claimed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "progress_event_stage" ADD COLUMN "dry_seconds" integer;--> statement-breakpoint
ALTER TABLE "project_change" ADD CONSTRAINT "project_change_project_id_project_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."project"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "project_summary" ADD CONSTRAINT "project_summary_project_id_project_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."project"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "project_change_by_revision" ON "project_change" USING btree ("project_id","revision");--> statement-breakpoint
ALTER TABLE "progress_event" ADD CONSTRAINT "progress_event_facts_not_negative" CHECK (least("progress_event"."dry_seconds", "progress_event"."worth_seconds", "progress_event"."device_number") >= 0);--> statement-breakpoint
ALTER TABLE "progress_event" ADD CONSTRAINT "progress_event_device_numbered" CHECK (("progress_event"."device" is null) = ("progress_event"."device_number" is null));--> statement-breakpoint
-- An undo may be told of in the same breath as its target, and before it.
ALTER TABLE "progress_event" ALTER CONSTRAINT "progress_event_target" DEFERRABLE INITIALLY DEFERRED;--> statement-breakpoint
-- What was painted so far keeps the wait its stage has now: editing the stage later does not change the past.
ALTER TABLE "progress_event" DISABLE TRIGGER "progress_event_append_only";--> statement-breakpoint
UPDATE "progress_event" SET "dry_seconds" = round(("stage"."drying_min_seconds" + "stage"."drying_max_seconds") / 2.0)
  FROM "stage" WHERE "progress_event"."stage_id" = "stage"."id" AND "progress_event"."kind" = 'punched';--> statement-breakpoint
ALTER TABLE "progress_event" ENABLE TRIGGER "progress_event_append_only";--> statement-breakpoint
ALTER TABLE "progress_event_stage" DISABLE TRIGGER "progress_event_stage_append_only";--> statement-breakpoint
UPDATE "progress_event_stage" SET "dry_seconds" = round(("stage"."drying_min_seconds" + "stage"."drying_max_seconds") / 2.0)
  FROM "stage" WHERE "progress_event_stage"."stage_id" = "stage"."id";--> statement-breakpoint
ALTER TABLE "progress_event_stage" ENABLE TRIGGER "progress_event_stage_append_only";--> statement-breakpoint
create trigger project_change_append_only before update or delete or truncate on project_change
  for each statement execute function refuse_change();
