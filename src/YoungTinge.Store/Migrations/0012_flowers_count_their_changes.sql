-- A change of a flower names the version that it was made from, as all changes do.
alter table flower add column version integer not null default 1;

-- A view keeps the columns that there were when it was made.
create or replace view live_flower as
    select f.* from flower f join live_commission c on c.id = f.commission_id where f.deleted_at is null;
