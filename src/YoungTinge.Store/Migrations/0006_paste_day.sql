-- How the pastes of a flower are got: a run of shades, a marbled batch. Each is always read and written whole.
create table paste_plan (
    studio_id uuid not null references studio (id) on delete cascade,
    flower_id uuid not null references flower (id) on delete cascade,
    kind text not null constraint paste_plan_kind_known check (kind in ('ombre', 'marble')),
    plan jsonb not null,
    version integer not null default 1 constraint paste_plan_version_range check (version > 0),
    changed_at timestamptz not null default now(),
    primary key (flower_id, kind)
);

create index paste_plan_by_studio on paste_plan (studio_id);

-- What has been done of the paste-day sheet. The fingerprint is that of the step as it was when it was ticked.
create table paste_day_tick (
    studio_id uuid not null references studio (id) on delete cascade,
    step_key text not null constraint paste_day_tick_key_length check (length(step_key) between 1 and 200),
    fingerprint text not null constraint paste_day_tick_fingerprint_length check (length(fingerprint) between 1 and 64),
    ticked_at timestamptz not null default now(),
    primary key (studio_id, step_key)
);
