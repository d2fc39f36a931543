-- Cores that are covered with paste stand on a shelf of their own and are counted, by their diameter.
alter table material
    drop constraint material_kind_known,
    drop constraint material_has_what_its_kind_needs,
    add column diameter_mm double precision constraint material_diameter_range check (diameter_mm > 0 and diameter_mm <= 500),
    add constraint material_kind_known check (kind in ('paste', 'colourant', 'dust', 'lustre', 'extender', 'glaze', 'thinner',
        'crumb', 'adhesive', 'wire', 'tape', 'stamens', 'core')),
    add constraint material_has_what_its_kind_needs check (case kind
        when 'paste' then absorption is not null and scattering is not null
        when 'colourant' then absorption is not null and scattering is not null and load_limit_g_per_100g is not null
            and share_at_once is not null and time_constant_hours is not null
        when 'glaze' then gloss is not null and outer_reflection is not null and inner_reflection is not null and wet_ml_per_cm2 is not null
        when 'thinner' then density_g_per_ml is not null
        when 'adhesive' then true
        when 'core' then diameter_mm is not null
        when 'crumb' then reflectance is not null
        when 'wire' then reflectance is not null
        when 'tape' then reflectance is not null
        when 'stamens' then reflectance is not null
        else absorption is not null and scattering is not null and load_limit_mg_per_cm2 is not null
    end);

-- A maker's own row of sizing holes, from the smallest up.
alter table studio add column holes_mm double precision[] not null default '{}'
    constraint studio_holes_range check (cardinality(holes_mm) <= 30 and 1 <= all (holes_mm) and 60 >= all (holes_mm));
