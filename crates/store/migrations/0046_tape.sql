-- Runs that timing eyes timed, films as marks, and rides that were logged from a film.
create table timed_run
(
    barn_id  uuid        not null references barn,
    timed_id uuid        not null,
    eyes     text        not null,
    at       timestamptz not null,
    time_ms  integer     not null,
    faults   text[]      not null,
    made_by  uuid        not null,
    constraint timed_run_pk primary key (barn_id, timed_id),
    constraint timed_run_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint timed_run_time_sane check (time_ms between 5000 and 1800000),
    constraint timed_run_eyes_text check (printable(eyes) and length(eyes) between 1 and 80)
);
call protect('timed_run');
create index timed_run_by_time on timed_run (barn_id, at);

create table tape
(
    barn_id  uuid        not null references barn,
    tape_id  uuid        not null,
    horse_id uuid        not null,
    name     text        not null,
    day      date        not null,
    sheet    jsonb       not null,
    made_by  uuid        not null,
    kept_at  timestamptz not null,
    constraint tape_pk primary key (barn_id, tape_id),
    constraint tape_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint tape_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint tape_sheet_object check (jsonb_typeof(sheet) = 'object'),
    constraint tape_name_text check (printable(name) and length(name) between 1 and 80)
);
call protect('tape');
create index tape_by_horse on tape (barn_id, horse_id, day);

alter table ride add column from_tape boolean not null default false;
