CREATE TABLE "packed_log" (
	"project_id" uuid PRIMARY KEY NOT NULL,
	"last" bigint NOT NULL,
	"body" "bytea" NOT NULL
);
--> statement-breakpoint
ALTER TABLE "packed_log" ADD CONSTRAINT "packed_log_project_id_project_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."project"("id") ON DELETE no action ON UPDATE no action;