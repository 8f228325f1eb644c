CREATE TABLE "client" (
	"studio_id" uuid DEFAULT this_studio() NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"contact" text NOT NULL,
	"note" text NOT NULL,
	"removed_at" timestamp with time zone,
	CONSTRAINT "client_studio_id_id_pk" PRIMARY KEY("studio_id","id"),
	CONSTRAINT "client_name_given" CHECK (length(trim("client"."name")) > 0)
);
--> statement-breakpoint
CREATE TABLE "client_link" (
	"studio_id" uuid DEFAULT this_studio() NOT NULL,
	"id" uuid NOT NULL,
	"project_id" uuid NOT NULL,
	"hash" text NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"revoked_at" timestamp with time zone,
	"seen_at" timestamp with time zone,
	CONSTRAINT "client_link_studio_id_id_pk" PRIMARY KEY("studio_id","id"),
	CONSTRAINT "client_link_hash_unique" UNIQUE("hash")
);
--> statement-breakpoint
CREATE TABLE "price_list" (
	"studio_id" uuid PRIMARY KEY DEFAULT this_studio() NOT NULL,
	"document" jsonb NOT NULL,
	"revision" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "quote" (
	"studio_id" uuid DEFAULT this_studio() NOT NULL,
	"id" uuid NOT NULL,
	"project_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"document" jsonb NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"made_by" text,
	"accepted_at" timestamp with time zone,
	"accepted_by" text,
	"accepted_standard" text,
	CONSTRAINT "quote_studio_id_id_pk" PRIMARY KEY("studio_id","id"),
	CONSTRAINT "quote_accepted_for_a_standard" CHECK (("quote"."accepted_at" is null) = ("quote"."accepted_standard" is null))
);
--> statement-breakpoint
ALTER TABLE "project" ADD COLUMN "commission" jsonb;--> statement-breakpoint
ALTER TABLE "client" ADD CONSTRAINT "client_studio_id_studio_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studio"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "client_link" ADD CONSTRAINT "client_link_studio_id_project_id_project_studio_id_id_fk" FOREIGN KEY ("studio_id","project_id") REFERENCES "public"."project"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "price_list" ADD CONSTRAINT "price_list_studio_id_studio_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studio"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "quote" ADD CONSTRAINT "quote_studio_id_project_id_project_studio_id_id_fk" FOREIGN KEY ("studio_id","project_id") REFERENCES "public"."project"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "quote_by_project" ON "quote" USING btree ("studio_id","project_id","number");--> statement-breakpoint
alter table client enable row level security;
--> statement-breakpoint
create policy own_studio on client using (studio_id = (select this_studio()));
--> statement-breakpoint
alter table client_link enable row level security;
--> statement-breakpoint
create policy own_studio on client_link using (studio_id = (select this_studio()));
--> statement-breakpoint
alter table price_list enable row level security;
--> statement-breakpoint
create policy own_studio on price_list using (studio_id = (select this_studio()));
--> statement-breakpoint
alter table quote enable row level security;
--> statement-breakpoint
create policy own_studio on quote using (studio_id = (select this_studio()));
