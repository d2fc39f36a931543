-- What a maker has weighed of her own measures is nearer to the truth than what is usual: learning begins from there.
alter table dose_unit add column is_weighed boolean not null default false;
