-- Commissions were only ever put in by the demo. Now a maker keeps her own: how warm the room is, how long before delivery all must be
-- ready, what the client was told and what she notes for herself, and how far it is.
alter table commission
    add column room_celsius double precision constraint commission_temperature_range check (room_celsius between -10 and 50),
    add column margin_days integer not null default 1 constraint commission_margin_range check (margin_days between 0 and 60),
    add column client_note text not null default '' constraint commission_client_note_length check (length(client_note) <= 2000),
    add column own_note text not null default '' constraint commission_own_note_length check (length(own_note) <= 2000),
    add column status text not null default 'planned' constraint commission_status_known
        check (status in ('asked', 'planned', 'in_work', 'delivered', 'put_away')),
    add column version integer not null default 1 constraint commission_version_range check (version > 0),
    add column deleted_at timestamptz;

-- What is taken out goes into a bin first, and can be had back from there.
alter table flower add column deleted_at timestamptz;
alter table piece add column deleted_at timestamptz;

-- What there is to work with: in no bin, and in nothing that is in the bin.
create view live_commission as select * from commission where deleted_at is null;

create view live_flower as
    select f.* from flower f join live_commission c on c.id = f.commission_id where f.deleted_at is null;

create view live_piece as
    select p.* from piece p join live_flower f on f.id = p.flower_id where p.deleted_at is null;

-- What was logged, and what was mixed, outlives what it was about; it keeps the names that this had.
alter table log_entry
    add column piece_name text not null default '',
    add column flower_name text not null default '',
    add column commission_name text not null default '',
    alter column piece_id drop not null,
    drop constraint log_entry_piece_id_fkey,
    add constraint log_entry_piece_id_fkey foreign key (piece_id) references piece (id) on delete set null;

update log_entry e set piece_name = p.name, flower_name = f.name, commission_name = c.name
from piece p join flower f on f.id = p.flower_id join commission c on c.id = f.commission_id
where p.id = e.piece_id;

alter table batch
    add column commission_name text not null default '',
    alter column commission_id drop not null,
    drop constraint batch_commission_id_fkey,
    add constraint batch_commission_id_fkey foreign key (commission_id) references commission (id) on delete set null;

update batch b set commission_name = c.name from commission c where c.id = b.commission_id;

-- What a tick took out of the cabinet, to be put back if the tick is. A tick of the paste day has its block's key, one of a run sheet
-- "piece:<id>:<step>".
create table stock_use (
    studio_id uuid not null references studio (id) on delete cascade,
    tick_key text not null constraint stock_use_key_length check (length(tick_key) between 1 and 300),
    material_id text not null,
    measure text not null constraint stock_use_measure_known check (measure in ('g', 'ml', 'pieces')),
    amount double precision not null constraint stock_use_amount_range check (amount > 0),
    primary key (studio_id, tick_key, material_id)
);

-- The pieces that a ticked paste is for: their run sheets weigh it out a second time, which takes nothing more.
alter table paste_day_tick add column piece_ids uuid[] not null default '{}';

-- Bringing back a studio that an archive replaced goes back more than once.
alter table replaced_studio
    drop constraint replaced_studio_only_last,
    alter column id drop default,
    add column studio_name text not null default '';
alter table replaced_studio alter column id add generated always as identity;
select setval(pg_get_serial_sequence('replaced_studio', 'id'), coalesce((select max(id) from replaced_studio), 0) + 1, false);
