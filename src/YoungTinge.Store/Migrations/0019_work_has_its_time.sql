-- Who works when, and the plan that is in force: read whole, by nobody but the page of the plan.
create table work_plan (
    studio_id uuid primary key references studio (id) on delete cascade,
    makers jsonb not null,
    plan jsonb,
    version integer not null default 1,
    changed_at timestamptz not null default now()
);

do $$
declare
    own text := current_schema();
begin
    execute format('create trigger mark_insert after insert on work_plan referencing new table as changed for each statement execute function %I.mark_change()', own);
    execute format('create trigger mark_delete after delete on work_plan referencing old table as changed for each statement execute function %I.mark_change()', own);
    execute format('create trigger mark_update after update on work_plan referencing new table as changed for each statement execute function %I.mark_change()', own);
end $$;
