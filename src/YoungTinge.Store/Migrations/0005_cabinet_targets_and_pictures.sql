-- The whole cabinet: crumbs, adhesives, tapes and stamens join it; lots, dates, counted stock, what is in a thing, and where its
-- optics come from. Null is not known.
alter table material
    drop constraint material_kind_known,
    drop constraint material_has_what_its_kind_needs,
    add column contains text[] not null default '{}' constraint material_contains_known
        check (contains <@ array['egg', 'gluten', 'nuts', 'milk', 'soya', 'gelatine', 'shellac', 'carmine', 'warned_colour']),
    add column is_retired boolean not null default false,
    add column stock_pieces double precision constraint material_stock_pieces_range check (stock_pieces >= 0 and stock_pieces <= 1000000),
    add column price_per_piece double precision constraint material_price_per_piece_range check (price_per_piece >= 0 and price_per_piece <= 10000),
    add column lot text not null default '' constraint material_lot_length check (length(lot) <= 60),
    add column opened_on date,
    add column best_before date constraint material_dates_in_order check (best_before >= opened_on),
    add column gauge integer constraint material_gauge_range check (gauge between 14 and 36),
    add column optics_origin text not null default 'nominal' constraint material_optics_origin_known
        check (optics_origin in ('nominal', 'label', 'dabs')),
    add column worst_delta_e double precision constraint material_worst_delta_e_range check (worst_delta_e >= 0 and worst_delta_e <= 200),
    add column dabs jsonb not null default '[]',
    add column version integer not null default 1 constraint material_version_range check (version > 0),
    add constraint material_kind_known check (kind in ('paste', 'colourant', 'dust', 'lustre', 'extender', 'glaze', 'thinner',
        'crumb', 'adhesive', 'wire', 'tape', 'stamens')),
    add constraint material_has_what_its_kind_needs check (case kind
        when 'paste' then absorption is not null and scattering is not null
        when 'colourant' then absorption is not null and scattering is not null and load_limit_g_per_100g is not null
            and share_at_once is not null and time_constant_hours is not null
        when 'glaze' then gloss is not null and outer_reflection is not null and inner_reflection is not null and wet_ml_per_cm2 is not null
        when 'thinner' then density_g_per_ml is not null
        when 'adhesive' then true
        when 'crumb' then reflectance is not null
        when 'wire' then reflectance is not null
        when 'tape' then reflectance is not null
        when 'stamens' then reflectance is not null
        else absorption is not null and scattering is not null and load_limit_mg_per_cm2 is not null
    end);

-- What is known of insects and their colour is said once, as what is in a thing; whom it does not suit follows.
update material set contains = array['carmine'], not_for = array_remove(array_remove(not_for, 'vegan'), 'vegetarian')
where dye_family like '%carmine%';

-- A target is a colour, how alike pieces of one whorl should be, and a finish.
update piece set plan = jsonb_set(plan, '{targets}', (
    select jsonb_object_agg(key, jsonb_build_object('colour', value, 'spread', 2, 'finish', 'matt'))
    from jsonb_each(plan -> 'targets')));

-- A picture of the living flower, upright and without what the camera wrote into it. How its light is taken, and where colours
-- were sampled in it, is read and written whole.
create table picture (
    id uuid primary key,
    studio_id uuid not null references studio (id) on delete cascade,
    flower_id uuid not null references flower (id) on delete cascade,
    name text not null constraint picture_name_length check (length(name) <= 200),
    jpeg bytea not null constraint picture_size check (length(jpeg) between 1 and 8000000),
    marks jsonb not null,
    version integer not null default 1 constraint picture_version_range check (version > 0),
    added_at timestamptz not null default now()
);

create index picture_by_flower on picture (flower_id, added_at);

-- The studio as it was before an archive took its place, so that this can be undone.
create table replaced_studio (
    id integer primary key default 1 constraint replaced_studio_only_last check (id = 1),
    archive text not null,
    replaced_at timestamptz not null default now()
);
