-- Whether anything has changed was told by hashing every row at every read, which costs more the more there is. Now each change leaves a
-- mark. Every connection has marks of its own, so that writers never wait for each other; a reader sees them as soon as she sees the change.
create table change_mark (
    studio_id uuid not null,
    table_name text not null,
    backend integer not null,
    xact xid8 not null,
    primary key (studio_id, table_name, backend)
);

-- In the schema of the table that changed: an archive is lifted in one that goes away again.
create function mark_change() returns trigger language plpgsql as $$
begin
    execute format('insert into %I.change_mark (studio_id, table_name, backend, xact)
        select distinct %s, %L, pg_backend_pid(), pg_current_xact_id() from changed
        on conflict (studio_id, table_name, backend) do update set xact = excluded.xact',
        tg_table_schema, case when tg_table_name = 'studio' then 'id' else 'studio_id' end, tg_table_name);
    return null;
end $$;

-- Ticks take stock. What is computed of a material does not change with how much of it is left, so that has a mark of its own.
create function mark_material_change() returns trigger language plpgsql as $$
begin
    execute format('insert into %I.change_mark (studio_id, table_name, backend, xact)
        select distinct n.studio_id,
            case when to_jsonb(n) - array[''stock_g'', ''stock_ml'', ''stock_pieces'', ''version''] is distinct from to_jsonb(o) - array[''stock_g'', ''stock_ml'', ''stock_pieces'', ''version'']
                then ''material'' else ''stock'' end,
            pg_backend_pid(), pg_current_xact_id()
        from changed n left join was o on o.studio_id = n.studio_id and o.id = n.id
        on conflict (studio_id, table_name, backend) do update set xact = excluded.xact', tg_table_schema);
    return null;
end $$;

do $$
declare
    one text;
    own text := current_schema();
begin
    foreach one in array array['material', 'dose_unit', 'commission', 'flower', 'piece', 'paste_plan', 'batch', 'operation_done', 'paste_day_leftover', 'stock_use', 'log_entry', 'studio'] loop
        execute format('create trigger mark_insert after insert on %I referencing new table as changed for each statement execute function %I.mark_change()', one, own);
        execute format('create trigger mark_delete after delete on %I referencing old table as changed for each statement execute function %I.mark_change()', one, own);
        if one <> 'material' then
            execute format('create trigger mark_update after update on %I referencing new table as changed for each statement execute function %I.mark_change()', one, own);
        end if;
    end loop;
    execute format('create trigger mark_update after update on material referencing new table as changed old table as was for each statement execute function %I.mark_material_change()', own);
end $$;
