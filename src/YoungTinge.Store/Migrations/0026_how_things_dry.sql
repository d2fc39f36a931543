-- How many times as long a paste dries as flower paste; what is not said is once.
alter table material
    add column dries_times double precision constraint material_dries_times_range check (dries_times between 0.2 and 10);

-- That it takes by the house figures, whatever had been learned by then: what is learned is told in terms of that.
alter table drying_reading add column house_minutes double precision;
update drying_reading set house_minutes = planned_minutes;
alter table drying_reading alter column house_minutes set not null;

-- Pieces that have a former or a place on the rack at once; null for as many as there are.
alter table work_plan add column drying_pieces integer constraint work_plan_drying_pieces_range check (drying_pieces between 1 and 10000);
