-- Who eats there: what a planner may use, and what is warned of.
alter table commission
    add column diets text[] not null default '{}'
        constraint commission_diets_known check (diets <@ array['vegan', 'vegetarian', 'gluten_free', 'nut_free', 'dairy_free']);

alter table flower add column must_be_edible boolean not null default false;

-- How a piece is shaped and stands in its flower; always read and written whole. Without one, a piece stands as its kind mostly does.
alter table piece add column form jsonb;
