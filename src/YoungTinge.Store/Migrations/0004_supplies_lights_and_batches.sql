-- What is left of a material and what it costs, and whom it does not suit: recipes are to stay within all three. Null is not known.
alter table material
    add column stock_g double precision constraint material_stock_range check (stock_g >= 0 and stock_g <= 1000000),
    add column price_per_g double precision constraint material_price_range check (price_per_g >= 0 and price_per_g <= 10000),
    add column not_for text[] not null default '{}' constraint material_not_for_known
        check (not_for <@ array['vegan', 'vegetarian', 'gluten_free', 'nut_free', 'dairy_free']);

-- How deep a wash soaks in with a thinner. Until now every thinner was spirit, so old rows get its depth.
alter table material
    add column wash_depth_mm double precision constraint material_wash_depth_range check (wash_depth_mm > 0 and wash_depth_mm <= 5);
update material set wash_depth_mm = 0.15 where kind = 'thinner';
alter table material add constraint material_thinner_has_depth check (kind <> 'thinner' or wash_depth_mm is not null);

-- The sparkle of a lustre in its highlights.
alter table material
    add column glint_tint text constraint material_glint_tint_form check (glint_tint ~ '^#[0-9a-f]{6}$'),
    add column glint_strength double precision constraint material_glint_strength_range check (glint_strength between 0 and 1),
    add column glint_half_load_mg_per_cm2 double precision constraint material_glint_half_load_range check (glint_half_load_mg_per_cm2 > 0),
    add constraint material_glint_whole check (num_nonnulls(glint_tint, glint_strength, glint_half_load_mg_per_cm2) in (0, 3));

alter table studio add column currency text not null default 'EUR' constraint studio_currency_form check (currency ~ '^[A-Z]{3}$');

-- The light that the flowers will be seen in.
alter table commission add column light text not null default 'daylight' constraint commission_light_known
    check (light in ('daylight', 'evening_daylight', 'lamp', 'tube', 'warm_led', 'candle'));

-- A paste to mix, or mixed, for a commission: what it should be, what goes in, and what it came out as. Colours are L*a*b* under daylight.
create table batch (
    id uuid primary key,
    studio_id uuid not null references studio (id) on delete cascade,
    commission_id uuid not null references commission (id) on delete cascade,
    name text not null constraint batch_name_length check (length(name) between 1 and 120),
    recipe jsonb not null,
    paste_g double precision not null constraint batch_paste_range check (paste_g > 0 and paste_g <= 100000),
    target_l double precision not null constraint batch_target_l_range check (target_l between 0 and 100),
    target_a double precision not null constraint batch_target_a_range check (target_a between -150 and 150),
    target_b double precision not null constraint batch_target_b_range check (target_b between -150 and 150),
    measured_l double precision constraint batch_measured_l_range check (measured_l between 0 and 100),
    measured_a double precision constraint batch_measured_a_range check (measured_a between -150 and 150),
    measured_b double precision constraint batch_measured_b_range check (measured_b between -150 and 150),
    note text not null default '' constraint batch_note_length check (length(note) <= 2000),
    version integer not null default 1 constraint batch_version_range check (version > 0),
    kept_at timestamptz not null default now(),
    constraint batch_measured_whole check (num_nonnulls(measured_l, measured_a, measured_b) in (0, 3))
);

create index batch_by_time on batch (studio_id, kept_at desc);
