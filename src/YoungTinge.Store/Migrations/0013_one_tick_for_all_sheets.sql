-- What is done is done once, whichever sheet it was ticked on: ticks of run sheets and of the paste day become one table. Steps are told
-- otherwise now, so what they were like when they were ticked is not known any more (null), and nothing is said to have changed since.
create table operation_done (
    studio_id uuid not null references studio (id) on delete cascade,
    operation_id text not null constraint operation_done_id_length check (length(operation_id) between 1 and 200),
    fingerprint text constraint operation_done_fingerprint_length check (length(fingerprint) between 1 and 64),
    done_at timestamptz not null default now(),
    done_by text not null default '' constraint operation_done_by_length check (length(done_by) <= 120),
    primary key (studio_id, operation_id)
);

insert into operation_done (studio_id, operation_id, done_at)
select studio_id, step_key, ticked_at from paste_day_tick;

-- A paste that was weighed on the run sheet of the piece that it is called by is made. What was mixed for one coat is in a pot for all now.
insert into operation_done (studio_id, operation_id, done_at)
select p.studio_id, case t.step_key when 'paste' then 'paste:' || t.piece_id else 'piece:' || t.piece_id || ':' || t.step_key end, t.ticked_at
from run_sheet_tick t join piece p on p.id = t.piece_id
where t.step_key not like 'colour:%' and t.step_key <> 'rest' and t.step_key not like '%:mix'
on conflict do nothing;

drop table run_sheet_tick;
drop table paste_day_tick;

-- How a flower is put together; null for as the house would. Always read and written whole.
alter table flower add column assembly jsonb;

create or replace view live_flower as
    select f.* from flower f join live_commission c on c.id = f.commission_id where f.deleted_at is null;
