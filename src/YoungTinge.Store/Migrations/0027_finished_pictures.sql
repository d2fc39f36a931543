-- What a picture shows: the living flower that is coloured after, or what came out in sugar.
alter table picture
    add column shows text not null default 'living' constraint picture_shows_known check (shows in ('living', 'made'));
