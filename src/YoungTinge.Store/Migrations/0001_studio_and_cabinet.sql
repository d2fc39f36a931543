-- Everything belongs to a studio, so that several can share a database later.
create table studio (
    id uuid primary key,
    name text not null constraint studio_name_length check (length(name) between 1 and 120),
    maker text not null constraint studio_maker_length check (length(maker) <= 120),
    time_zone text not null constraint studio_time_zone_length check (length(time_zone) between 1 and 60)
);

-- Spectra are 36 values, 380 to 730 nm every 10 nm. Absorption and scattering are in 1/mm for a paste, in 1/mm for each
-- g per 100 g for a colourant, and in cm2/mg for dusts.
create table material (
    studio_id uuid not null references studio (id) on delete cascade,
    id text not null constraint material_id_form check (id ~ '^[a-z0-9]+(-[a-z0-9]+)*$' and length(id) <= 80),
    position integer not null,
    kind text not null constraint material_kind_known
        check (kind in ('paste', 'colourant', 'dust', 'lustre', 'extender', 'glaze', 'thinner', 'wire')),
    name text not null constraint material_name_length check (length(name) between 1 and 120),
    form text not null constraint material_form_length check (length(form) <= 60),
    food_status text not null constraint material_food_status_known check (food_status in ('edible', 'decorative_only', 'not_food')),
    dye_family text not null default '' constraint material_dye_family_length check (length(dye_family) <= 120),
    note text not null default '' constraint material_note_length check (length(note) <= 2000),
    absorption double precision[] constraint material_absorption_bands check (cardinality(absorption) = 36),
    scattering double precision[] constraint material_scattering_bands check (cardinality(scattering) = 36),
    reflectance double precision[] constraint material_reflectance_bands check (cardinality(reflectance) = 36),
    load_limit_g_per_100g double precision constraint material_load_limit_paste_range check (load_limit_g_per_100g > 0 and load_limit_g_per_100g <= 100),
    load_limit_mg_per_cm2 double precision constraint material_load_limit_dust_range check (load_limit_mg_per_cm2 > 0 and load_limit_mg_per_cm2 <= 10),
    share_at_once double precision constraint material_share_at_once_range check (share_at_once between 0 and 1),
    time_constant_hours double precision constraint material_time_constant_range check (time_constant_hours > 0),
    gloss double precision constraint material_gloss_range check (gloss between 0 and 1),
    outer_reflection double precision constraint material_outer_reflection_range check (outer_reflection between 0 and 1),
    inner_reflection double precision constraint material_inner_reflection_range check (inner_reflection between 0 and 0.99),
    wet_ml_per_cm2 double precision constraint material_wet_film_range check (wet_ml_per_cm2 > 0 and wet_ml_per_cm2 <= 1),
    density_g_per_ml double precision constraint material_density_range check (density_g_per_ml > 0 and density_g_per_ml <= 5),
    primary key (studio_id, id),
    constraint material_name_key unique (studio_id, name),
    constraint material_has_what_its_kind_needs check (case kind
        when 'paste' then absorption is not null and scattering is not null
        when 'colourant' then absorption is not null and scattering is not null and load_limit_g_per_100g is not null
            and share_at_once is not null and time_constant_hours is not null
        when 'glaze' then gloss is not null and outer_reflection is not null and inner_reflection is not null and wet_ml_per_cm2 is not null
        when 'thinner' then density_g_per_ml is not null
        when 'wire' then reflectance is not null
        else absorption is not null and scattering is not null and load_limit_mg_per_cm2 is not null
    end)
);

-- A maker's own measure of a colour: the mean mass of one touch, drop, pea or knife tip.
create table dose_unit (
    studio_id uuid not null,
    material_id text not null,
    kind text not null constraint dose_unit_kind_known check (kind in ('touch', 'drop', 'pea', 'knife_tip')),
    mass_g double precision not null constraint dose_unit_mass_range check (mass_g > 0 and mass_g <= 50),
    primary key (studio_id, material_id, kind),
    foreign key (studio_id, material_id) references material (studio_id, id) on delete cascade
);
