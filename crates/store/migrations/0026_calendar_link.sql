-- A secret link under which a calendar program reads what stands in the days of a person,
-- a horse or a place. Of the word in it only a hash is kept, and it is looked up by that
-- alone, outside any barn. It can be taken back.
create table calendar_link
(
    barn_id    uuid        not null references barn,
    link_id    uuid        not null,
    kind       text        not null,
    of_id      uuid        not null,
    word_hash  bytea       not null,
    made_by    uuid        not null,
    made_at    timestamptz not null,
    revoked_at timestamptz,
    constraint calendar_link_pk primary key (barn_id, link_id),
    constraint calendar_link_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint calendar_link_kind_known check (kind in ('person', 'horse', 'place'))
);
call protect('calendar_link');
create index calendar_link_by_word on calendar_link (word_hash);
