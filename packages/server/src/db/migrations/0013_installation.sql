CREATE TABLE "installation" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL
);
--> statement-breakpoint
INSERT INTO "installation" DEFAULT VALUES;