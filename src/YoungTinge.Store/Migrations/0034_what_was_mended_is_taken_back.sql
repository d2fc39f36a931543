-- An entry as it was before it was mended last: mending is taken back to the last digit.
alter table log_entry add column before jsonb;
