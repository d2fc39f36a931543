-- Every row belongs to a studio, and so does its name: two studios may hold the same archive. A row can only hang on one of its own studio.
alter table flower drop constraint flower_commission_id_fkey;
alter table piece drop constraint piece_flower_id_fkey;
alter table log_entry drop constraint log_entry_piece_id_fkey;
alter table batch drop constraint batch_commission_id_fkey;
alter table picture drop constraint picture_flower_id_fkey;
alter table paste_plan drop constraint paste_plan_flower_id_fkey;
alter table paste_day_leftover drop constraint paste_day_leftover_batch_id_fkey;

alter table commission drop constraint commission_pkey, add primary key (studio_id, id);
alter table flower drop constraint flower_pkey, add primary key (studio_id, id);
alter table piece drop constraint piece_pkey, add primary key (studio_id, id);
alter table log_entry drop constraint log_entry_pkey, add primary key (studio_id, id);
alter table batch drop constraint batch_pkey, add primary key (studio_id, id);
alter table picture drop constraint picture_pkey, add primary key (studio_id, id);
alter table paste_plan drop constraint paste_plan_pkey, add primary key (studio_id, flower_id, kind);
alter table laid_picture drop constraint laid_picture_pkey, add primary key (studio_id, id);

alter table flower add constraint flower_commission_id_fkey foreign key (studio_id, commission_id) references commission (studio_id, id) on delete cascade;
alter table piece add constraint piece_flower_id_fkey foreign key (studio_id, flower_id) references flower (studio_id, id) on delete cascade;
alter table log_entry add constraint log_entry_piece_id_fkey foreign key (studio_id, piece_id) references piece (studio_id, id) on delete set null (piece_id);
alter table batch add constraint batch_commission_id_fkey foreign key (studio_id, commission_id) references commission (studio_id, id) on delete set null (commission_id);
alter table picture add constraint picture_flower_id_fkey foreign key (studio_id, flower_id) references flower (studio_id, id) on delete cascade;
alter table paste_plan add constraint paste_plan_flower_id_fkey foreign key (studio_id, flower_id) references flower (studio_id, id) on delete cascade;
alter table paste_day_leftover add constraint paste_day_leftover_batch_id_fkey foreign key (studio_id, batch_id) references batch (studio_id, id) on delete cascade;

drop index flower_by_commission, piece_by_flower, log_entry_by_piece, picture_by_flower, paste_plan_by_studio, paste_day_leftover_by_batch, picture_by_file, replaced_studio_picture_by_file;
create index flower_by_commission on flower (studio_id, commission_id, position);
create index piece_by_flower on piece (studio_id, flower_id, position);
create index log_entry_by_piece on log_entry (studio_id, piece_id, logged_at desc);
create index picture_by_flower on picture (studio_id, flower_id, added_at);
create index paste_day_leftover_by_batch on paste_day_leftover (studio_id, batch_id);
create index picture_by_file on picture (studio_id, file_sha256);

-- Until now there was one studio: what named none was its own. Pictures and earlier states of a studio that is gone are nobody's.
alter table picture drop constraint if exists picture_file_sha256_fkey;
alter table replaced_studio_picture drop constraint replaced_studio_picture_file_sha256_fkey, drop constraint replaced_studio_picture_state_id_fkey, drop constraint replaced_studio_picture_pkey;
alter table replaced_studio add column studio_id uuid references studio (id) on delete cascade;
alter table replaced_studio_picture add column studio_id uuid;
alter table picture_file add column studio_id uuid references studio (id) on delete cascade;
update replaced_studio set studio_id = (select id from studio order by name limit 1);
update replaced_studio_picture set studio_id = (select id from studio order by name limit 1);
update picture_file set studio_id = (select id from studio order by name limit 1);
delete from replaced_studio_picture where studio_id is null;
delete from replaced_studio where studio_id is null;
delete from picture_file where studio_id is null;

alter table replaced_studio alter column studio_id set not null, drop constraint replaced_studio_pkey, add primary key (studio_id, id);
alter table picture_file alter column studio_id set not null, drop constraint picture_file_pkey, add primary key (studio_id, sha256);
-- Not looked through once more: the rows are those that hung on it before. (An archive is lifted beside its pictures, which are not copied.)
alter table picture add constraint picture_file_sha256_fkey foreign key (studio_id, file_sha256) references picture_file (studio_id, sha256) not valid;
alter table replaced_studio_picture alter column studio_id set not null,
    add primary key (studio_id, state_id, file_sha256),
    add constraint replaced_studio_picture_state_id_fkey foreign key (studio_id, state_id) references replaced_studio (studio_id, id) on delete cascade,
    add constraint replaced_studio_picture_file_sha256_fkey foreign key (studio_id, file_sha256) references picture_file (studio_id, sha256);
create index replaced_studio_picture_by_file on replaced_studio_picture (studio_id, file_sha256);

-- The database itself shows a server nothing but the studio that its connection was opened for, whatever a query forgets to ask.
do $$
declare
    one text;
    own text := 'nullif(current_setting(''app.studio'', true), '''')::uuid';
begin
    foreach one in array array['material', 'dose_unit', 'commission', 'flower', 'piece', 'log_entry', 'batch', 'picture', 'picture_file', 'laid_picture', 'paste_plan', 'operation_done',
        'paste_day_leftover', 'stock_use', 'work_plan', 'bench_timer', 'drying_reading', 'bench_note', 'calendar_address', 'practice_trial', 'change_mark', 'replaced_studio', 'replaced_studio_picture'] loop
        execute format('alter table %I enable row level security', one);
        execute format('create policy own_studio on %I using (studio_id = %s)', one, own);
    end loop;
    alter table studio enable row level security;
    execute format('create policy own_studio on studio using (id = %s)', own);
    -- What looks through them is asked as whoever asks, not as the owner of the tables.
    foreach one in array array['live_commission', 'live_flower', 'live_piece'] loop
        execute format('alter view %I set (security_invoker = true)', one);
    end loop;
    -- At the door, where nobody has come in yet: which studios there are, and whose a calendar's address is.
    execute format('create policy at_the_door on studio for select using (%s is null)', own);
    execute format('create policy at_the_door on calendar_address for select using (%s is null)', own);
end $$;
