-- What owners are shown: secret links to one horse, notes chosen for them, reports of a month.

-- Of the word in a link only a hash is kept; it is looked up by that alone, outside any barn.
create table horse_link
(
    barn_id    uuid        not null references barn,
    link_id    uuid        not null,
    horse_id   uuid        not null,
    for_whom   text        not null,
    word_hash  bytea       not null,
    made_by    uuid        not null,
    made_at    timestamptz not null,
    expires_at timestamptz not null,
    revoked_at timestamptz,
    opened_at  timestamptz,
    constraint horse_link_pk primary key (barn_id, link_id),
    constraint horse_link_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint horse_link_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint horse_link_for_text check (printable(for_whom) and length(for_whom) between 1 and 80),
    constraint horse_link_expires_later check (expires_at > made_at)
);
comment on column horse_link.opened_at is 'the last time somebody opened it';
call protect('horse_link');
create index horse_link_by_word on horse_link (word_hash);
create index horse_link_by_horse on horse_link (barn_id, horse_id);

create table owner_note
(
    barn_id       uuid        not null references barn,
    note_id       uuid        not null,
    horse_id      uuid        not null,
    day           date        not null,
    text          text        not null,
    made_by       uuid        not null,
    made_at       timestamptz not null,
    taken_back_at timestamptz,
    constraint owner_note_pk primary key (barn_id, note_id),
    constraint owner_note_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint owner_note_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint owner_note_text check (printable(text) and length(text) between 1 and 600)
);
call protect('owner_note');
create index owner_note_by_horse on owner_note (barn_id, horse_id, day);

create table owner_report
(
    barn_id       uuid        not null references barn,
    report_id     uuid        not null,
    horse_id      uuid        not null,
    month         date        not null,
    told          jsonb       not null,
    sections      jsonb       not null,
    written_by    uuid        not null,
    written_at    timestamptz not null,
    sent_at       timestamptz,
    taken_back_at timestamptz,
    constraint owner_report_pk primary key (barn_id, report_id),
    constraint owner_report_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint owner_report_writer foreign key (barn_id, written_by) references person (barn_id, person_id),
    constraint owner_report_first_of_month check (extract(day from month) = 1)
);
comment on column owner_report.told is 'figures and what its pictures are drawn from, as they stood when it was written';
call protect('owner_report');
create index owner_report_by_horse on owner_report (barn_id, horse_id, month);
