-- The progress log only grows: undo is a new event.
create function refuse_change() returns trigger language plpgsql as $$
begin
  raise exception 'the progress log is append-only' using errcode = 'restrict_violation';
end
$$;
--> statement-breakpoint
create trigger progress_event_append_only before update or delete or truncate on progress_event
  for each statement execute function refuse_change();
--> statement-breakpoint
create trigger progress_event_model_append_only before update or delete or truncate on progress_event_model
  for each statement execute function refuse_change();
