create table commission (
    id uuid primary key,
    studio_id uuid not null references studio (id) on delete cascade,
    name text not null constraint commission_name_length check (length(name) between 1 and 120),
    due_on date not null,
    place text not null default '' constraint commission_place_length check (length(place) <= 300),
    room_humidity_percent integer constraint commission_humidity_range check (room_humidity_percent between 0 and 100)
);

create index commission_by_due on commission (studio_id, due_on);

create table flower (
    id uuid primary key,
    studio_id uuid not null references studio (id) on delete cascade,
    commission_id uuid not null references commission (id) on delete cascade,
    position integer not null,
    name text not null constraint flower_name_length check (length(name) between 1 and 120),
    flowers integer not null constraint flower_count_range check (flowers between 0 and 5000),
    buds integer not null constraint flower_buds_range check (buds between 0 and 5000),
    constraint flower_has_something check (flowers + buds > 0)
);

create index flower_by_commission on flower (commission_id, position);

-- The plan (targets, paste, coats) is always read and written whole, so it is one document with one version.
create table piece (
    id uuid primary key,
    studio_id uuid not null references studio (id) on delete cascade,
    flower_id uuid not null references flower (id) on delete cascade,
    position integer not null,
    name text not null constraint piece_name_length check (length(name) between 1 and 120),
    outline_id text not null,
    length_mm double precision not null constraint piece_length_range check (length_mm > 0 and length_mm <= 500),
    width_mm double precision not null constraint piece_width_range check (width_mm > 0 and width_mm <= 500),
    thickness_mm double precision not null constraint piece_thickness_range check (thickness_mm > 0 and thickness_mm <= 50),
    solid boolean not null,
    part_of text not null constraint piece_part_of_known check (part_of in ('flower', 'bud')),
    per_part integer not null constraint piece_per_part_range check (per_part between 1 and 1000),
    spare_share double precision not null constraint piece_spare_share_range check (spare_share between 0 and 2),
    plan jsonb not null,
    version integer not null default 1 constraint piece_version_range check (version > 0),
    changed_at timestamptz not null default now()
);

create index piece_by_flower on piece (flower_id, position);
