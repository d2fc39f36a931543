-- An address at which a calendar program finds the plan. Whoever has it can read it, so only what it hashes to is kept; in no archive.
create table calendar_address (
    studio_id uuid primary key references studio (id) on delete cascade,
    token_hash bytea not null unique,
    made_at timestamptz not null default now()
);
