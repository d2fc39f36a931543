-- What was tried in practice: how far apart it was, and whether it was right.
create table practice_trial (
    studio_id uuid not null references studio (id) on delete cascade,
    id uuid not null,
    exercise text not null check (exercise in ('warmer', 'deeper', 'duller', 'glaze', 'steps', 'candle', 'went_in', 'match')),
    level double precision not null check (level >= 0 and level <= 100),
    is_right boolean not null,
    colour_l double precision not null,
    colour_a double precision not null,
    colour_b double precision not null,
    tried_at timestamptz not null default now(),
    primary key (studio_id, id)
);

create index practice_trial_by_time on practice_trial (studio_id, tried_at desc);

do $$
declare
    own text := current_schema();
begin
    execute format('create trigger mark_insert after insert on practice_trial referencing new table as changed for each statement execute function %I.mark_change()', own);
    execute format('create trigger mark_delete after delete on practice_trial referencing old table as changed for each statement execute function %I.mark_change()', own);
    execute format('create trigger mark_update after update on practice_trial referencing new table as changed for each statement execute function %I.mark_change()', own);
end $$;
