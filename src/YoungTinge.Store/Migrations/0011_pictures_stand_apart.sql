-- The same picture is kept once, whoever names it: copies of a flower, and states of a studio from before an archive took its place.
create table picture_file (
    sha256 bytea primary key constraint picture_file_sum_length check (length(sha256) = 32),
    jpeg bytea not null constraint picture_file_size check (length(jpeg) between 1 and 8000000)
);
-- A JPEG does not pack any further.
alter table picture_file alter column jpeg set storage external;

insert into picture_file (sha256, jpeg) select sha256(jpeg), jpeg from picture on conflict do nothing;
alter table picture add column file_sha256 bytea references picture_file (sha256);
update picture set file_sha256 = sha256(jpeg);
alter table picture alter column file_sha256 set not null, drop column jpeg;
create index picture_by_file on picture (file_sha256);

-- A picture that is only read and not kept, such as one of a dab: here so that every server finds it, and gone after a while.
create table laid_picture (
    id uuid primary key,
    studio_id uuid not null references studio (id) on delete cascade,
    jpeg bytea not null constraint laid_picture_size check (length(jpeg) between 1 and 8000000),
    laid_at timestamptz not null default now()
);
create index laid_picture_by_age on laid_picture (studio_id, laid_at);

-- An earlier state of the studio is an archive without its pictures, which stay where they are while a state names them.
alter table replaced_studio alter column archive type bytea using convert_to(archive, 'UTF8');
create table replaced_studio_picture (
    state_id integer not null references replaced_studio (id) on delete cascade,
    file_sha256 bytea not null references picture_file (sha256),
    primary key (state_id, file_sha256)
);
create index replaced_studio_picture_by_file on replaced_studio_picture (file_sha256);
