-- How the flowers of a commission are wired to sprays; null for as the house would. Always read and written whole.
alter table commission add column spray jsonb;

create or replace view live_commission as select * from commission where deleted_at is null;
