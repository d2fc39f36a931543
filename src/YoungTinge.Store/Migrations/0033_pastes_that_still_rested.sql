-- How long a paste had rested when it was read, in which light, and what was known of its jars and of the hand when its colour was predicted. Of older entries the last is not known.
alter table log_entry
    add column rested_hours double precision check (rested_hours between 0 and 720),
    add column light text not null default 'daylight' check (light in ('daylight', 'evening_daylight', 'lamp', 'tube', 'warm_led', 'candle')),
    add column learned jsonb;
