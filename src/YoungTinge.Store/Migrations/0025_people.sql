alter table studio
    add column is_demo boolean not null default false,
    add column language text not null default 'en' constraint studio_language_length check (length(language) between 2 and 35);
-- As the demo was filled in before it was marked.
update studio set is_demo = true where name = 'Saltmarsh Lane Sugar Room' and maker = 'Odile Farrant';

-- Who works in a studio. What she signs in with is hers alone among all studios.
create table person (
    studio_id uuid not null references studio (id) on delete cascade,
    id uuid not null,
    name text not null constraint person_name_length check (length(name) between 1 and 80),
    sign_in_name text not null constraint person_sign_in_name_length check (length(sign_in_name) between 1 and 80),
    role text not null constraint person_role_known check (role in ('owner', 'maker', 'helper')),
    password_hash text constraint person_password_hash_length check (length(password_hash) <= 500),
    language text constraint person_language_length check (length(language) between 2 and 35),
    measures text constraint person_measures_known check (measures in ('metric', 'imperial')),
    time_zone text constraint person_time_zone_length check (length(time_zone) between 1 and 60),
    theme text constraint person_theme_known check (theme in ('light', 'dark')),
    made_at timestamptz not null default now(),
    version integer not null default 1,
    primary key (studio_id, id)
);
create unique index person_by_sign_in_name on person (lower(sign_in_name));

-- A browser that somebody has signed in with. Only what its cookie hashes to is kept.
create table session (
    studio_id uuid not null,
    token_hash bytea not null,
    person_id uuid not null,
    made_at timestamptz not null default now(),
    seen_at timestamptz not null default now(),
    primary key (studio_id, token_hash),
    foreign key (studio_id, person_id) references person (studio_id, id) on delete cascade
);
create index session_by_person on session (studio_id, person_id);

-- A code that is used once: to come in as somebody new, to choose a new password, or (of the demo) to be signed in.
create table one_time_code (
    studio_id uuid not null references studio (id) on delete cascade,
    token_hash bytea not null,
    kind text not null constraint one_time_code_kind_known check (kind in ('invite', 'password', 'enter')),
    role text constraint one_time_code_role_known check (role in ('owner', 'maker', 'helper')),
    person_id uuid,
    made_at timestamptz not null default now(),
    expires_at timestamptz not null,
    primary key (studio_id, token_hash),
    foreign key (studio_id, person_id) references person (studio_id, id) on delete cascade,
    constraint one_time_code_for_somebody check ((kind = 'invite') = (person_id is null) and (kind = 'invite') = (role is not null))
);

-- A private address under which a client reads one commission.
create table guest_address (
    studio_id uuid not null,
    commission_id uuid not null,
    token_hash bytea not null,
    made_at timestamptz not null default now(),
    expires_at timestamptz not null,
    primary key (studio_id, commission_id),
    foreign key (studio_id, commission_id) references commission (studio_id, id) on delete cascade
);

-- Who changed what.
create table audit_entry (
    studio_id uuid not null references studio (id) on delete cascade,
    id uuid not null,
    at timestamptz not null default now(),
    person_id uuid,
    person_name text not null,
    action text not null constraint audit_entry_action_length check (length(action) between 1 and 80),
    subject_id text not null default '' constraint audit_entry_subject_length check (length(subject_id) <= 100),
    primary key (studio_id, id)
);
create index audit_entry_by_time on audit_entry (studio_id, at desc);

-- Copies of the whole studio that the server makes by itself. The files lie in the folder that its keeper has named.
create table backup_schedule (
    studio_id uuid primary key references studio (id) on delete cascade,
    every text not null constraint backup_schedule_every_known check (every in ('never', 'day', 'week')),
    keep integer not null constraint backup_schedule_keep_range check (keep between 1 and 100),
    next_at timestamptz,
    version integer not null default 1
);
create table backup (
    studio_id uuid not null references studio (id) on delete cascade,
    id uuid not null,
    made_at timestamptz not null default now(),
    bytes bigint not null,
    rows bigint not null,
    pictures bigint not null,
    sha256 bytea not null,
    primary key (studio_id, id)
);

do $$
declare
    one text;
    own text := 'nullif(current_setting(''app.studio'', true), '''')::uuid';
begin
    foreach one in array array['person', 'session', 'one_time_code', 'guest_address', 'audit_entry', 'backup_schedule', 'backup'] loop
        execute format('alter table %I enable row level security', one);
        execute format('create policy own_studio on %I using (studio_id = %s)', one, own);
    end loop;
    -- A name is looked up before it is known whose it is; a clock looks which studio is to be kept.
    execute format('create policy at_the_door on person for select using (%s is null)', own);
    execute format('create policy at_the_door on backup_schedule for select using (%s is null)', own);
end $$;

-- Those two are no studio's: tries to sign in, whether there is such a name or not, and the keys that cookies are sealed with.
create table sign_in_try (
    key text primary key constraint sign_in_try_key_length check (length(key) between 1 and 200),
    failures integer not null,
    last_at timestamptz not null
);
create table protection_key (
    id integer generated always as identity primary key,
    xml text not null
);
