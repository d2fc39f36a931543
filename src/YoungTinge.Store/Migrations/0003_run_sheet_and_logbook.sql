-- What has been done at the bench. The fingerprint is that of the step as it was when it was ticked: if the plan changes
-- afterwards, the sheet can say so.
create table run_sheet_tick (
    piece_id uuid not null references piece (id) on delete cascade,
    step_key text not null constraint run_sheet_tick_key_length check (length(step_key) between 1 and 120),
    fingerprint text not null constraint run_sheet_tick_fingerprint_length check (length(fingerprint) between 1 and 64),
    ticked_at timestamptz not null default now(),
    primary key (piece_id, step_key)
);

-- What came out: a paste or a zone of a finished piece, predicted beside actual. Colours are L*a*b* under daylight.
create table log_entry (
    id uuid primary key,
    studio_id uuid not null references studio (id) on delete cascade,
    piece_id uuid not null references piece (id) on delete cascade,
    subject text not null constraint log_entry_subject_known check (subject in ('paste', 'rim', 'tip', 'heart', 'base', 'back')),
    predicted_l double precision not null,
    predicted_a double precision not null,
    predicted_b double precision not null,
    actual_l double precision not null constraint log_entry_actual_l_range check (actual_l between 0 and 100),
    actual_a double precision not null constraint log_entry_actual_a_range check (actual_a between -150 and 150),
    actual_b double precision not null constraint log_entry_actual_b_range check (actual_b between -150 and 150),
    note text not null default '' constraint log_entry_note_length check (length(note) <= 2000),
    logged_at timestamptz not null default now()
);

create index log_entry_by_time on log_entry (studio_id, logged_at desc);
create index log_entry_by_piece on log_entry (piece_id, logged_at desc);
