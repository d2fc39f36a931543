-- What was ticked says how long hands take: beside when it was done, how long it should have taken by the house figures. Of older ticks that is not known.
alter table operation_done add column house_minutes double precision constraint operation_done_house_minutes_range check (house_minutes between 0 and 100000);
