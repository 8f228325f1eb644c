-- Who may sign in, and with what: no request of a studio reaches in here.
CREATE SCHEMA "door";
--> statement-breakpoint
CREATE TABLE "door"."account" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "account_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "door"."credential" (
	"id" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"known_as" text NOT NULL,
	"provider" text NOT NULL,
	"password" text,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "door"."door_key" (
	"only" boolean PRIMARY KEY DEFAULT true NOT NULL,
	"secret" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "door"."knocks" (
	"id" text PRIMARY KEY NOT NULL,
	"key" text NOT NULL,
	"count" integer NOT NULL,
	"last_request" bigint NOT NULL,
	CONSTRAINT "knocks_key_unique" UNIQUE("key")
);
--> statement-breakpoint
CREATE TABLE "membership" (
	"studio_id" uuid DEFAULT this_studio() NOT NULL,
	"account_id" text NOT NULL,
	"role" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "membership_studio_id_account_id_pk" PRIMARY KEY("studio_id","account_id"),
	CONSTRAINT "membership_role_known" CHECK ("membership"."role" in ('owner', 'manager', 'painter'))
);
--> statement-breakpoint
CREATE TABLE "door"."sign_in" (
	"id" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"token" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "sign_in_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "door"."verification" (
	"id" text PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "door"."credential" ADD CONSTRAINT "credential_account_id_account_id_fk" FOREIGN KEY ("account_id") REFERENCES "door"."account"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "membership" ADD CONSTRAINT "membership_studio_id_studio_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studio"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "membership" ADD CONSTRAINT "membership_account_id_account_id_fk" FOREIGN KEY ("account_id") REFERENCES "door"."account"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "door"."sign_in" ADD CONSTRAINT "sign_in_account_id_account_id_fk" FOREIGN KEY ("account_id") REFERENCES "door"."account"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "credential_by_account" ON "door"."credential" USING btree ("account_id");--> statement-breakpoint
CREATE INDEX "membership_by_account" ON "membership" USING btree ("account_id");--> statement-breakpoint
CREATE INDEX "sign_in_by_account" ON "door"."sign_in" USING btree ("account_id");
--> statement-breakpoint
alter table membership enable row level security;
--> statement-breakpoint
create policy own_studio on membership using (studio_id = (select this_studio()));
--> statement-breakpoint
insert into door.door_key (secret) values (gen_random_uuid()::text || gen_random_uuid()::text);
