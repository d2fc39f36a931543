-- The piece as it was when its entry was logged: it can be made again when it is long gone. Of older entries that is not known.
alter table log_entry add column piece jsonb;
