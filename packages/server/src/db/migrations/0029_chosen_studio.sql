ALTER TABLE "membership" ADD COLUMN "joined_at" timestamp with time zone DEFAULT now();--> statement-breakpoint
ALTER TABLE "door"."sign_in" ADD COLUMN "studio_id" uuid;--> statement-breakpoint
ALTER TABLE "door"."sign_in" ADD CONSTRAINT "sign_in_studio_id_studio_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studio"("id") ON DELETE set null ON UPDATE no action;