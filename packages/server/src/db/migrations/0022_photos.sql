CREATE TABLE "photo" (
	"studio_id" uuid DEFAULT this_studio() NOT NULL,
	"id" uuid NOT NULL,
	"project_id" uuid NOT NULL,
	"model_id" uuid,
	"caption" text NOT NULL,
	"released" boolean DEFAULT false NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"body" "bytea" NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	CONSTRAINT "photo_studio_id_id_pk" PRIMARY KEY("studio_id","id"),
	CONSTRAINT "photo_has_a_size" CHECK ("photo"."width" > 0 and "photo"."height" > 0)
);
--> statement-breakpoint
ALTER TABLE "photo" ADD CONSTRAINT "photo_studio_id_project_id_project_studio_id_id_fk" FOREIGN KEY ("studio_id","project_id") REFERENCES "public"."project"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "photo_by_project" ON "photo" USING btree ("studio_id","project_id","made_at");--> statement-breakpoint
alter table photo enable row level security;
--> statement-breakpoint
create policy own_studio on photo using (studio_id = (select this_studio()));
