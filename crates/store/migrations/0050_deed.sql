-- Who changed what, and when: one row for each change that was asked for and came about. Asks and
-- rides have their own history, ask by ask.
create table deed
(
    barn_id   uuid        not null references barn,
    deed_id   uuid        not null,
    at        timestamptz not null,
    person_id uuid        not null,
    operation text        not null,
    did       text        not null,
    path      text        not null,
    horse_id  uuid,
    said      jsonb,
    constraint deed_pk primary key (barn_id, deed_id),
    constraint deed_person foreign key (barn_id, person_id) references person (barn_id, person_id),
    constraint deed_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id)
);
comment on column deed.operation is 'the operation of the API';
comment on column deed.did is 'the same in plain words';
comment on column deed.said is 'what was sent with it, passwords and secret words left out';
call protect('deed');
create index deed_by_time on deed (barn_id, at desc, deed_id desc);
