-- What is left of the scattering of a dust where glaze soaks it; left out, it is what is usual for its kind.
alter table material add column wet_scatter double precision constraint material_wet_scatter_range check (wet_scatter between 0 and 1);

-- The white of the house is of a pigment that bends light far more than glaze does; what a maker measured herself is left alone.
update material set wet_scatter = 0.6 where id = 'chalk-down' and kind = 'dust' and optics_origin = 'nominal';
