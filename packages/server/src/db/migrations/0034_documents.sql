ALTER TABLE "stage" ADD COLUMN "document" jsonb;--> statement-breakpoint
ALTER TABLE "model" ADD COLUMN "document" jsonb;--> statement-breakpoint
ALTER TABLE "unit" ADD COLUMN "document" jsonb;--> statement-breakpoint
update unit set document = jsonb_build_object(
  'name', name, 'standard', standard, 'size', size, 'detail', detail, 'perHolder', per_holder, 'pilot', to_jsonb(pilot),
  'joinedAt', case when joined_to_unit is not null
    then jsonb_build_object('unitId', joined_to_unit, 'stageId', joined_at_stage) end
);--> statement-breakpoint
update model set document = jsonb_build_object(
  'name', name, 'role', role, 'variants', to_jsonb(variants), 'points', points
);--> statement-breakpoint
update stage set document = jsonb_build_object(
  'name', name, 'material', material,
  'touch', case when touch_kind = 'regions'
    then jsonb_build_object('kind', touch_kind, 'regions', to_jsonb(regions)) else jsonb_build_object('kind', touch_kind) end,
  'handsOnSecondsPerModel', hands_on_seconds_per_model, 'setUpSeconds', set_up_seconds,
  'dryingMinSeconds', drying_min_seconds, 'dryingMaxSeconds', drying_max_seconds,
  'nextWithinSeconds', next_within_seconds, 'limits', limits, 'tableReady', table_ready, 'cautions', to_jsonb(cautions),
  'note', note, 'technique', technique, 'typed', typed, 'steps', steps
);
