-- A hand types what the desk's device shows; a file or the stand-in spoke of the days to come, so of outside.
ALTER TABLE "air_reading" ADD COLUMN "place" text;--> statement-breakpoint
UPDATE "air_reading" SET "place" = CASE WHEN "source" = 'typed' OR ("source" = 'file' AND "at" <= now()) THEN 'indoors' ELSE 'outdoors' END;--> statement-breakpoint
ALTER TABLE "air_reading" ALTER COLUMN "place" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "air_reading" DROP CONSTRAINT "air_reading_pkey";--> statement-breakpoint
ALTER TABLE "air_reading" ADD CONSTRAINT "air_reading_at_place_pk" PRIMARY KEY("at","place");--> statement-breakpoint
ALTER TABLE "air_reading" ADD CONSTRAINT "air_reading_place_known" CHECK ("air_reading"."place" in ('indoors', 'outdoors'));
