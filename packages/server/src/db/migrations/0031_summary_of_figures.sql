ALTER TABLE "project_summary" ALTER COLUMN "summary" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "project_summary" ADD COLUMN "summary_of" text;