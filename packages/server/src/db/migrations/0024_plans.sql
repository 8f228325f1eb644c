CREATE TABLE "plan" (
	"studio_id" uuid DEFAULT this_studio() NOT NULL,
	"project_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"revision" integer NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"made_of" text,
	"stretches" jsonb NOT NULL,
	CONSTRAINT "plan_studio_id_project_id_pk" PRIMARY KEY("studio_id","project_id")
);
--> statement-breakpoint
CREATE TABLE "plan_batch" (
	"studio_id" uuid DEFAULT this_studio() NOT NULL,
	"project_id" uuid NOT NULL,
	"place" integer NOT NULL,
	"id" text NOT NULL,
	"unit_id" uuid NOT NULL,
	"model_ids" uuid[] NOT NULL,
	CONSTRAINT "plan_batch_studio_id_project_id_place_pk" PRIMARY KEY("studio_id","project_id","place"),
	CONSTRAINT "plan_batch_has_models" CHECK (cardinality("plan_batch"."model_ids") > 0)
);
--> statement-breakpoint
ALTER TABLE "plan" ADD CONSTRAINT "plan_studio_id_project_id_project_studio_id_id_fk" FOREIGN KEY ("studio_id","project_id") REFERENCES "public"."project"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_batch" ADD CONSTRAINT "plan_batch_studio_id_project_id_plan_studio_id_project_id_fk" FOREIGN KEY ("studio_id","project_id") REFERENCES "public"."plan"("studio_id","project_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
alter table plan enable row level security;
--> statement-breakpoint
create policy own_studio on plan using (studio_id = (select this_studio()));
--> statement-breakpoint
alter table plan_batch enable row level security;
--> statement-breakpoint
create policy own_studio on plan_batch using (studio_id = (select this_studio()));