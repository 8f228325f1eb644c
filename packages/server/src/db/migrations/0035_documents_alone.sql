ALTER TABLE "stage" DROP CONSTRAINT "stage_name_given";--> statement-breakpoint
ALTER TABLE "stage" DROP CONSTRAINT "stage_touch_known";--> statement-breakpoint
ALTER TABLE "stage" DROP CONSTRAINT "stage_regions_named";--> statement-breakpoint
ALTER TABLE "stage" DROP CONSTRAINT "stage_times_not_negative";--> statement-breakpoint
ALTER TABLE "stage" DROP CONSTRAINT "stage_next_within_not_negative";--> statement-breakpoint
ALTER TABLE "stage" DROP CONSTRAINT "stage_drying_in_order";--> statement-breakpoint
ALTER TABLE "model" DROP CONSTRAINT "model_name_given";--> statement-breakpoint
ALTER TABLE "model" DROP CONSTRAINT "model_points_not_negative";--> statement-breakpoint
ALTER TABLE "unit" DROP CONSTRAINT "unit_name_given";--> statement-breakpoint
ALTER TABLE "unit" DROP CONSTRAINT "unit_standard_known";--> statement-breakpoint
ALTER TABLE "unit" DROP CONSTRAINT "unit_size_known";--> statement-breakpoint
ALTER TABLE "unit" DROP CONSTRAINT "unit_detail_known";--> statement-breakpoint
ALTER TABLE "unit" DROP CONSTRAINT "unit_holder_positive";--> statement-breakpoint
ALTER TABLE "unit" DROP CONSTRAINT "unit_joined_whole";--> statement-breakpoint
ALTER TABLE "unit" DROP CONSTRAINT "unit_joined_to_another";--> statement-breakpoint
ALTER TABLE "stage" ALTER COLUMN "document" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "model" ALTER COLUMN "document" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "unit" ALTER COLUMN "document" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "stage" DROP COLUMN "name";--> statement-breakpoint
ALTER TABLE "stage" DROP COLUMN "material";--> statement-breakpoint
ALTER TABLE "stage" DROP COLUMN "touch_kind";--> statement-breakpoint
ALTER TABLE "stage" DROP COLUMN "regions";--> statement-breakpoint
ALTER TABLE "stage" DROP COLUMN "hands_on_seconds_per_model";--> statement-breakpoint
ALTER TABLE "stage" DROP COLUMN "set_up_seconds";--> statement-breakpoint
ALTER TABLE "stage" DROP COLUMN "drying_min_seconds";--> statement-breakpoint
ALTER TABLE "stage" DROP COLUMN "drying_max_seconds";--> statement-breakpoint
ALTER TABLE "stage" DROP COLUMN "next_within_seconds";--> statement-breakpoint
ALTER TABLE "stage" DROP COLUMN "limits";--> statement-breakpoint
ALTER TABLE "stage" DROP COLUMN "table_ready";--> statement-breakpoint
ALTER TABLE "stage" DROP COLUMN "cautions";--> statement-breakpoint
ALTER TABLE "stage" DROP COLUMN "note";--> statement-breakpoint
ALTER TABLE "stage" DROP COLUMN "technique";--> statement-breakpoint
ALTER TABLE "stage" DROP COLUMN "typed";--> statement-breakpoint
ALTER TABLE "stage" DROP COLUMN "steps";--> statement-breakpoint
ALTER TABLE "model" DROP COLUMN "name";--> statement-breakpoint
ALTER TABLE "model" DROP COLUMN "role";--> statement-breakpoint
ALTER TABLE "model" DROP COLUMN "variants";--> statement-breakpoint
ALTER TABLE "model" DROP COLUMN "points";--> statement-breakpoint
ALTER TABLE "unit" DROP COLUMN "name";--> statement-breakpoint
ALTER TABLE "unit" DROP COLUMN "standard";--> statement-breakpoint
ALTER TABLE "unit" DROP COLUMN "size";--> statement-breakpoint
ALTER TABLE "unit" DROP COLUMN "detail";--> statement-breakpoint
ALTER TABLE "unit" DROP COLUMN "per_holder";--> statement-breakpoint
ALTER TABLE "unit" DROP COLUMN "pilot";--> statement-breakpoint
ALTER TABLE "unit" DROP COLUMN "joined_to_unit";--> statement-breakpoint
ALTER TABLE "unit" DROP COLUMN "joined_at_stage";