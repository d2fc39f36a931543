-- A batch was only ever kept as it was planned. Once mixed it is a thing: when, what really went in, where it lies, what is left of it.
-- Null until it is mixed; old rows stay planned. A block is a paste of the paste-day sheet, and place the shade of its run.
alter table batch
    add column made_at timestamptz,
    add column made_recipe jsonb,
    add column made_g double precision constraint batch_made_range check (made_g > 0 and made_g <= 100000),
    add column left_g double precision constraint batch_left_range check (left_g >= 0),
    add column kept_in text not null default '' constraint batch_kept_in_length check (length(kept_in) <= 120),
    add column block_key text constraint batch_block_key_length check (length(block_key) between 1 and 200),
    add column place integer constraint batch_place_range check (place between 0 and 99),
    add constraint batch_made_whole check (num_nonnulls(made_at, made_recipe, made_g, left_g) in (0, 4)),
    add constraint batch_left_of_made check (left_g <= made_g),
    add constraint batch_block_whole check (num_nonnulls(block_key, place) in (0, 2));

-- A block is mixed once, however often its tick arrives.
create unique index batch_by_block on batch (studio_id, block_key, place) where block_key is not null;

-- A leftover that goes into a paste of the day; what was taken of it is null until that paste is mixed.
create table paste_day_leftover (
    studio_id uuid not null references studio (id) on delete cascade,
    block_key text not null constraint paste_day_leftover_key_length check (length(block_key) between 1 and 200),
    batch_id uuid not null references batch (id) on delete cascade,
    used_g double precision constraint paste_day_leftover_used_range check (used_g >= 0),
    primary key (studio_id, block_key)
);

create index paste_day_leftover_by_batch on paste_day_leftover (batch_id);

-- Liquids are measured in ml, and everything is bought in packs: so many g, ml or pieces in one.
alter table material
    add column stock_ml double precision constraint material_stock_ml_range check (stock_ml >= 0 and stock_ml <= 1000000),
    add column price_per_ml double precision constraint material_price_per_ml_range check (price_per_ml >= 0 and price_per_ml <= 10000),
    add column pack_size double precision constraint material_pack_size_range check (pack_size > 0 and pack_size <= 1000000);

-- Until now what is poured was weighed.
update material
set stock_ml = stock_g / coalesce(density_g_per_ml, 1), price_per_ml = price_per_g * coalesce(density_g_per_ml, 1), stock_g = null, price_per_g = null
where kind in ('glaze', 'thinner');

alter table dose_unit
    drop constraint dose_unit_kind_known,
    add constraint dose_unit_kind_known check (kind in ('touch', 'drop', 'pea', 'knife_tip', 'pinch'));

-- How the studio measures. The old rows get what was fixed in code.
alter table studio
    add column measures text not null default 'metric' constraint studio_measures_known check (measures in ('metric', 'imperial')),
    add column scale_g double precision not null default 0.1 constraint studio_scale_range check (scale_g between 0.001 and 10),
    add column leftover_delta_e double precision not null default 2 constraint studio_leftover_range check (leftover_delta_e between 0.1 and 10),
    add column version integer not null default 1 constraint studio_version_range check (version > 0);
