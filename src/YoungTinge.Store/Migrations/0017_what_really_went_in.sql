-- What a tick says of what really went in, by material in its own measure; null for as planned.
alter table operation_done add column went jsonb;
