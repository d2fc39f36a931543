-- An entry of the logbook keeps what was really done then, not a pointer to a plan that changes: the mix with the jars that were open, how it was read, how sure
-- the prediction was. It can be left out of what is learned, and taken out and put back.
alter table log_entry
    add column mix jsonb,
    add column coats jsonb,
    add column read_by text not null default 'typed' check (read_by in ('reader', 'camera', 'eye', 'typed')),
    add column predicted_range double precision,
    add column logged_by text not null default '',
    add column is_left_out boolean not null default false,
    add column is_taken_out boolean not null default false,
    add column version integer not null default 1;
