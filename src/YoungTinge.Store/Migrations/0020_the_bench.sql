-- Timers that go on when the page is closed, and what was felt of pieces that dry.
create table bench_timer (
    studio_id uuid not null references studio (id) on delete cascade,
    id uuid not null,
    operation_id text,
    name text not null,
    seconds integer not null check (seconds between 1 and 86400),
    started_at timestamptz not null,
    started_by text not null,
    primary key (studio_id, id)
);

create table drying_reading (
    studio_id uuid not null references studio (id) on delete cascade,
    id uuid not null,
    operation_id text not null,
    is_dry boolean not null,
    -- Since it was laid out; null if that is not known.
    minutes double precision,
    planned_minutes double precision not null,
    read_at timestamptz not null,
    read_by text not null,
    primary key (studio_id, id)
);

-- What devices have said, so that what is sent twice counts once. Not kept for long, and in no archive.
create table bench_note (
    studio_id uuid not null references studio (id) on delete cascade,
    id uuid not null,
    taken_at timestamptz not null default now(),
    primary key (studio_id, id)
);

do $$
declare
    one text;
    own text := current_schema();
begin
    foreach one in array array['bench_timer', 'drying_reading'] loop
        execute format('create trigger mark_insert after insert on %I referencing new table as changed for each statement execute function %I.mark_change()', one, own);
        execute format('create trigger mark_delete after delete on %I referencing old table as changed for each statement execute function %I.mark_change()', one, own);
        execute format('create trigger mark_update after update on %I referencing new table as changed for each statement execute function %I.mark_change()', one, own);
    end loop;
end $$;
