ALTER TABLE "progress_event" ADD COLUMN "details" jsonb;--> statement-breakpoint
ALTER TABLE "progress_event" DISABLE TRIGGER "progress_event_append_only";--> statement-breakpoint
update progress_event as event set details = case event.kind
  when 'touch-up' then jsonb_strip_nulls(jsonb_build_object('note', coalesce(event.note, ''), 'region', event.region))
  when 'felt' then jsonb_build_object('feels', event.verdict)
  when 'inspected' then jsonb_build_object('verdict', event.verdict, 'note', coalesce(event.note, ''))
  when 'judged' then jsonb_strip_nulls(jsonb_build_object('verdict', event.verdict, 'note', coalesce(event.note, ''), 'mix', event.mix))
  when 'used' then jsonb_build_object('mix', coalesce(event.mix, '[]'::jsonb), 'note', coalesce(event.note, ''))
  when 'lap-corrected' then jsonb_build_object('workSeconds', event.work_seconds, 'note', coalesce(event.note, ''))
  when 'milestone' then jsonb_strip_nulls(jsonb_build_object(
    'workSeconds', event.work_seconds,
    'stageIds', (
      select coalesce(jsonb_agg(spanned.stage_id order by spanned.position), '[]'::jsonb)
      from progress_event_stage as spanned where spanned.studio_id = event.studio_id and spanned.event_id = event.id
    ),
    'waits', (
      select jsonb_agg(jsonb_build_object('stageId', spanned.stage_id, 'drySeconds', spanned.dry_seconds) order by spanned.position)
      from progress_event_stage as spanned
      where spanned.studio_id = event.studio_id and spanned.event_id = event.id and spanned.dry_seconds is not null
    )
  ))
end
where event.kind not in ('punched', 'cleared', 'clock-started', 'clock-stopped', 'undone');--> statement-breakpoint
ALTER TABLE "progress_event" ENABLE TRIGGER "progress_event_append_only";
