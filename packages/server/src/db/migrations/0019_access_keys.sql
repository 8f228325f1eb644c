CREATE TABLE "access_key" (
	"studio_id" uuid DEFAULT this_studio() NOT NULL,
	"id" text NOT NULL,
	"account_id" text NOT NULL,
	"name" text NOT NULL,
	"scope" text NOT NULL,
	"hash" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"used_at" timestamp with time zone,
	CONSTRAINT "access_key_studio_id_id_pk" PRIMARY KEY("studio_id","id"),
	CONSTRAINT "access_key_hash_unique" UNIQUE("hash"),
	CONSTRAINT "access_key_name_given" CHECK (length(trim("access_key"."name")) > 0),
	CONSTRAINT "access_key_scope_known" CHECK ("access_key"."scope" in ('look', 'record', 'change'))
);
--> statement-breakpoint
ALTER TABLE "access_key" ADD CONSTRAINT "access_key_maker" FOREIGN KEY ("studio_id","account_id") REFERENCES "public"."membership"("studio_id","account_id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
alter table access_key enable row level security;
--> statement-breakpoint
create policy own_studio on access_key using (studio_id = (select this_studio()));
