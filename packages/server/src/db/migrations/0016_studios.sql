CREATE TABLE "studio" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "studio_name_given" CHECK (length(trim("studio"."name")) > 0)
);
--> statement-breakpoint
-- Whom the connection acts for; nobody where it was not said, and then there are no rows.
create function this_studio() returns uuid language sql stable parallel safe as $$
  select nullif(current_setting('seriatim.studio', true), '')::uuid
$$;
--> statement-breakpoint
ALTER TABLE "model" DROP CONSTRAINT "model_unit_id_unit_id_fk";
--> statement-breakpoint
ALTER TABLE "packed_log" DROP CONSTRAINT "packed_log_project_id_project_id_fk";
--> statement-breakpoint
ALTER TABLE "progress_event" DROP CONSTRAINT "progress_event_project_id_project_id_fk";
--> statement-breakpoint
ALTER TABLE "progress_event" DROP CONSTRAINT "progress_event_stage_id_stage_id_fk";
--> statement-breakpoint
ALTER TABLE "progress_event" DROP CONSTRAINT "progress_event_target";
--> statement-breakpoint
ALTER TABLE "progress_event_model" DROP CONSTRAINT "progress_event_model_event_id_progress_event_id_fk";
--> statement-breakpoint
ALTER TABLE "progress_event_model" DROP CONSTRAINT "progress_event_model_model_id_model_id_fk";
--> statement-breakpoint
ALTER TABLE "progress_event_stage" DROP CONSTRAINT "progress_event_stage_event_id_progress_event_id_fk";
--> statement-breakpoint
ALTER TABLE "progress_event_stage" DROP CONSTRAINT "progress_event_stage_stage_id_stage_id_fk";
--> statement-breakpoint
ALTER TABLE "project_change" DROP CONSTRAINT "project_change_project_id_project_id_fk";
--> statement-breakpoint
ALTER TABLE "project_summary" DROP CONSTRAINT "project_summary_project_id_project_id_fk";
--> statement-breakpoint
ALTER TABLE "recipe" DROP CONSTRAINT "recipe_project_id_project_id_fk";
--> statement-breakpoint
ALTER TABLE "stage" DROP CONSTRAINT "stage_project_id_project_id_fk";
--> statement-breakpoint
ALTER TABLE "stage_exemption" DROP CONSTRAINT "stage_exemption_stage_id_stage_id_fk";
--> statement-breakpoint
ALTER TABLE "stage_exemption" DROP CONSTRAINT "stage_exemption_unit_id_unit_id_fk";
--> statement-breakpoint
ALTER TABLE "unit" DROP CONSTRAINT "unit_project_id_project_id_fk";
--> statement-breakpoint
DROP INDEX "material_name_once";
--> statement-breakpoint
DROP INDEX "model_by_unit";
--> statement-breakpoint
DROP INDEX "progress_event_by_project";
--> statement-breakpoint
DROP INDEX "project_change_by_revision";
--> statement-breakpoint
DROP INDEX "recipe_by_project";
--> statement-breakpoint
DROP INDEX "stage_by_project";
--> statement-breakpoint
DROP INDEX "unit_by_project";
--> statement-breakpoint
ALTER TABLE "air_reading" DROP CONSTRAINT "air_reading_at_place_pk";
--> statement-breakpoint
ALTER TABLE "brought_rate" DROP CONSTRAINT "brought_rate_technique_size_pk";
--> statement-breakpoint
ALTER TABLE "progress_event_model" DROP CONSTRAINT "progress_event_model_event_id_model_id_pk";
--> statement-breakpoint
ALTER TABLE "progress_event_stage" DROP CONSTRAINT "progress_event_stage_event_id_stage_id_pk";
--> statement-breakpoint
ALTER TABLE "stage_exemption" DROP CONSTRAINT "stage_exemption_stage_id_unit_id_pk";
--> statement-breakpoint
ALTER TABLE "material" DROP CONSTRAINT "material_pkey";
--> statement-breakpoint
ALTER TABLE "model" DROP CONSTRAINT "model_pkey";
--> statement-breakpoint
ALTER TABLE "packed_log" DROP CONSTRAINT "packed_log_pkey";
--> statement-breakpoint
ALTER TABLE "progress_event" DROP CONSTRAINT "progress_event_pkey";
--> statement-breakpoint
ALTER TABLE "project" DROP CONSTRAINT "project_pkey";
--> statement-breakpoint
ALTER TABLE "project_change" DROP CONSTRAINT "project_change_pkey";
--> statement-breakpoint
ALTER TABLE "project_summary" DROP CONSTRAINT "project_summary_pkey";
--> statement-breakpoint
ALTER TABLE "recipe" DROP CONSTRAINT "recipe_pkey";
--> statement-breakpoint
ALTER TABLE "stage" DROP CONSTRAINT "stage_pkey";
--> statement-breakpoint
ALTER TABLE "unit" DROP CONSTRAINT "unit_pkey";
--> statement-breakpoint
-- What is here belongs to one studio, that of whoever painted alone so far.
do $$
declare
  own uuid;
  name text;
begin
  insert into studio (name) values ('Own desk') returning id into own;
  foreach name in array array['air_reading', 'brought_rate', 'material', 'model', 'packed_log', 'progress_event', 'progress_event_model', 'progress_event_stage', 'project', 'project_change', 'project_summary', 'recipe', 'stage', 'stage_exemption', 'unit'] loop
    execute format('alter table %I add column studio_id uuid not null default %L', name, own);
    execute format('alter table %I alter column studio_id set default this_studio()', name);
    execute format('alter table %I enable row level security', name);
    execute format('create policy own_studio on %I using (studio_id = (select this_studio()))', name);
  end loop;
end
$$;
--> statement-breakpoint
ALTER TABLE "air_reading" ADD CONSTRAINT "air_reading_studio_id_at_place_pk" PRIMARY KEY("studio_id","at","place");
--> statement-breakpoint
ALTER TABLE "brought_rate" ADD CONSTRAINT "brought_rate_studio_id_technique_size_pk" PRIMARY KEY("studio_id","technique","size");
--> statement-breakpoint
ALTER TABLE "material" ADD CONSTRAINT "material_studio_id_id_pk" PRIMARY KEY("studio_id","id");
--> statement-breakpoint
ALTER TABLE "model" ADD CONSTRAINT "model_studio_id_id_pk" PRIMARY KEY("studio_id","id");
--> statement-breakpoint
ALTER TABLE "packed_log" ADD CONSTRAINT "packed_log_studio_id_project_id_pk" PRIMARY KEY("studio_id","project_id");
--> statement-breakpoint
ALTER TABLE "progress_event" ADD CONSTRAINT "progress_event_studio_id_id_pk" PRIMARY KEY("studio_id","id");
--> statement-breakpoint
ALTER TABLE "progress_event_model" ADD CONSTRAINT "progress_event_model_studio_id_event_id_model_id_pk" PRIMARY KEY("studio_id","event_id","model_id");
--> statement-breakpoint
ALTER TABLE "progress_event_stage" ADD CONSTRAINT "progress_event_stage_studio_id_event_id_stage_id_pk" PRIMARY KEY("studio_id","event_id","stage_id");
--> statement-breakpoint
ALTER TABLE "project" ADD CONSTRAINT "project_studio_id_id_pk" PRIMARY KEY("studio_id","id");
--> statement-breakpoint
ALTER TABLE "project_change" ADD CONSTRAINT "project_change_studio_id_id_pk" PRIMARY KEY("studio_id","id");
--> statement-breakpoint
ALTER TABLE "project_summary" ADD CONSTRAINT "project_summary_studio_id_project_id_pk" PRIMARY KEY("studio_id","project_id");
--> statement-breakpoint
ALTER TABLE "recipe" ADD CONSTRAINT "recipe_studio_id_id_pk" PRIMARY KEY("studio_id","id");
--> statement-breakpoint
ALTER TABLE "stage" ADD CONSTRAINT "stage_studio_id_id_pk" PRIMARY KEY("studio_id","id");
--> statement-breakpoint
ALTER TABLE "stage_exemption" ADD CONSTRAINT "stage_exemption_studio_id_stage_id_unit_id_pk" PRIMARY KEY("studio_id","stage_id","unit_id");
--> statement-breakpoint
ALTER TABLE "unit" ADD CONSTRAINT "unit_studio_id_id_pk" PRIMARY KEY("studio_id","id");
--> statement-breakpoint
ALTER TABLE "air_reading" ADD CONSTRAINT "air_reading_studio_id_studio_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studio"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "brought_rate" ADD CONSTRAINT "brought_rate_studio_id_studio_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studio"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "material" ADD CONSTRAINT "material_studio_id_studio_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studio"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "model" ADD CONSTRAINT "model_studio_id_unit_id_unit_studio_id_id_fk" FOREIGN KEY ("studio_id","unit_id") REFERENCES "public"."unit"("studio_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "packed_log" ADD CONSTRAINT "packed_log_studio_id_project_id_project_studio_id_id_fk" FOREIGN KEY ("studio_id","project_id") REFERENCES "public"."project"("studio_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "progress_event" ADD CONSTRAINT "progress_event_studio_id_project_id_project_studio_id_id_fk" FOREIGN KEY ("studio_id","project_id") REFERENCES "public"."project"("studio_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "progress_event" ADD CONSTRAINT "progress_event_studio_id_stage_id_stage_studio_id_id_fk" FOREIGN KEY ("studio_id","stage_id") REFERENCES "public"."stage"("studio_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "progress_event" ADD CONSTRAINT "progress_event_target" FOREIGN KEY ("studio_id","target_id") REFERENCES "public"."progress_event"("studio_id","id") ON DELETE no action ON UPDATE no action DEFERRABLE INITIALLY DEFERRED;
--> statement-breakpoint
ALTER TABLE "progress_event_model" ADD CONSTRAINT "progress_event_model_event" FOREIGN KEY ("studio_id","event_id") REFERENCES "public"."progress_event"("studio_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "progress_event_model" ADD CONSTRAINT "progress_event_model_model" FOREIGN KEY ("studio_id","model_id") REFERENCES "public"."model"("studio_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "progress_event_stage" ADD CONSTRAINT "progress_event_stage_event" FOREIGN KEY ("studio_id","event_id") REFERENCES "public"."progress_event"("studio_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "progress_event_stage" ADD CONSTRAINT "progress_event_stage_stage" FOREIGN KEY ("studio_id","stage_id") REFERENCES "public"."stage"("studio_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "project" ADD CONSTRAINT "project_studio_id_studio_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studio"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "project_change" ADD CONSTRAINT "project_change_studio_id_project_id_project_studio_id_id_fk" FOREIGN KEY ("studio_id","project_id") REFERENCES "public"."project"("studio_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "project_summary" ADD CONSTRAINT "project_summary_studio_id_project_id_project_studio_id_id_fk" FOREIGN KEY ("studio_id","project_id") REFERENCES "public"."project"("studio_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "recipe" ADD CONSTRAINT "recipe_studio_id_project_id_project_studio_id_id_fk" FOREIGN KEY ("studio_id","project_id") REFERENCES "public"."project"("studio_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "stage" ADD CONSTRAINT "stage_studio_id_project_id_project_studio_id_id_fk" FOREIGN KEY ("studio_id","project_id") REFERENCES "public"."project"("studio_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "stage_exemption" ADD CONSTRAINT "stage_exemption_studio_id_stage_id_stage_studio_id_id_fk" FOREIGN KEY ("studio_id","stage_id") REFERENCES "public"."stage"("studio_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "stage_exemption" ADD CONSTRAINT "stage_exemption_studio_id_unit_id_unit_studio_id_id_fk" FOREIGN KEY ("studio_id","unit_id") REFERENCES "public"."unit"("studio_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "unit" ADD CONSTRAINT "unit_studio_id_project_id_project_studio_id_id_fk" FOREIGN KEY ("studio_id","project_id") REFERENCES "public"."project"("studio_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
CREATE UNIQUE INDEX "material_name_once" ON "material" USING btree ("studio_id",lower("document" ->> 'name')) WHERE "material"."removed_at" is null;
--> statement-breakpoint
CREATE INDEX "model_by_unit" ON "model" USING btree ("studio_id","unit_id","position");
--> statement-breakpoint
CREATE INDEX "progress_event_by_project" ON "progress_event" USING btree ("studio_id","project_id","sequence");
--> statement-breakpoint
CREATE UNIQUE INDEX "project_change_by_revision" ON "project_change" USING btree ("studio_id","project_id","revision");
--> statement-breakpoint
CREATE INDEX "recipe_by_project" ON "recipe" USING btree ("studio_id","project_id","position");
--> statement-breakpoint
CREATE INDEX "stage_by_project" ON "stage" USING btree ("studio_id","project_id","position");
--> statement-breakpoint
CREATE INDEX "unit_by_project" ON "unit" USING btree ("studio_id","project_id","position");
--> statement-breakpoint
alter table studio enable row level security;
--> statement-breakpoint
-- No request makes a studio or takes one away.
create policy own_studio_seen on studio for select using (id = (select this_studio()));
--> statement-breakpoint
create policy own_studio_named on studio for update using (id = (select this_studio()));
