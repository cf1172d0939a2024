-- The herd book: cattle one by one, what is seen and given, settled herds, works.
alter table cattle_lot
    add column works_a_day integer not null default 2,
    add column minutes_a_day integer not null default 12,
    add constraint cattle_lot_works_sane check (works_a_day between 1 and 6),
    add constraint cattle_lot_minutes_sane check (minutes_a_day between 1 and 60);

create table cow
(
    barn_id     uuid    not null references barn,
    cow_id      uuid    not null,
    lot_id      uuid    not null,
    tag         text    not null,
    kind        text    not null,
    weight_lb   integer,
    came        date    not null,
    tempo       text    not null,
    handling    text    not null,
    done        boolean not null default false,
    note        text    not null default '',
    put_away_at timestamptz,
    constraint cow_pk primary key (barn_id, cow_id),
    constraint cow_lot foreign key (barn_id, lot_id) references cattle_lot (barn_id, lot_id),
    constraint cow_kind_known check (kind in ('heifer', 'steer', 'cow')),
    constraint cow_tempo_known check (tempo in ('slow', 'medium', 'quick')),
    constraint cow_handling_known check (handling in ('well', 'wild')),
    constraint cow_weight_sane check (weight_lb between 60 and 3000),
    constraint cow_tag_text check (printable(tag) and length(tag) between 1 and 8),
    constraint cow_note_text check (printable(note) and length(note) <= 600)
);
call protect('cow');
-- A tag is free again when the cow that had it is gone.
create unique index cow_tag_taken on cow (barn_id, lot_id, lower(tag)) where put_away_at is null;

create table cow_sign
(
    barn_id    uuid not null references barn,
    sign_id    uuid not null,
    cow_id     uuid not null,
    sign       text not null,
    seen_on    date not null,
    cleared_on date,
    note       text not null default '',
    made_by    uuid not null,
    constraint cow_sign_pk primary key (barn_id, sign_id),
    constraint cow_sign_cow foreign key (barn_id, cow_id) references cow (barn_id, cow_id),
    constraint cow_sign_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint cow_sign_known check (sign in
        ('runny_eye', 'runny_nose', 'lame', 'dull', 'off_feed', 'other')),
    constraint cow_sign_order check (cleared_on >= seen_on),
    constraint cow_sign_note_text check (printable(note) and length(note) <= 600)
);
call protect('cow_sign');
create index cow_sign_by_cow on cow_sign (barn_id, cow_id, seen_on);

create table cow_treatment
(
    barn_id         uuid    not null references barn,
    treatment_id    uuid    not null,
    cow_id          uuid    not null,
    given_on        date    not null,
    what            text    not null,
    by_whom         text    not null default '',
    withdrawal_days integer not null default 0,
    note            text    not null default '',
    made_by         uuid    not null,
    constraint cow_treatment_pk primary key (barn_id, treatment_id),
    constraint cow_treatment_cow foreign key (barn_id, cow_id) references cow (barn_id, cow_id),
    constraint cow_treatment_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint cow_treatment_days_sane check (withdrawal_days between 0 and 365),
    constraint cow_treatment_what_text check (printable(what) and length(what) between 1 and 80),
    constraint cow_treatment_by_text check (printable(by_whom) and length(by_whom) <= 80),
    constraint cow_treatment_note_text check (printable(note) and length(note) <= 600)
);
call protect('cow_treatment');
create index cow_treatment_by_cow on cow_treatment (barn_id, cow_id, given_on);

create table settling
(
    barn_id     uuid    not null references barn,
    settling_id uuid    not null,
    lot_id      uuid    not null,
    day         date    not null,
    minutes     integer not null,
    put_back    integer not null,
    stands      boolean not null,
    note        text    not null default '',
    made_by     uuid    not null,
    made_at     timestamptz not null,
    constraint settling_pk primary key (barn_id, settling_id),
    constraint settling_lot foreign key (barn_id, lot_id) references cattle_lot (barn_id, lot_id),
    constraint settling_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint settling_minutes_sane check (minutes between 1 and 240),
    constraint settling_put_back_sane check (put_back between 0 and 200),
    constraint settling_note_text check (printable(note) and length(note) <= 600)
);
call protect('settling');
create index settling_by_lot on settling (barn_id, lot_id, day);

-- A work: one cow, or the flag, for a while. Its turns name it.
create table ride_work
(
    barn_id        uuid    not null,
    ride_id        uuid    not null,
    work_id        uuid    not null,
    cow_id         uuid,
    after_ms       integer not null,
    ended_after_ms integer,
    ended_how      text,
    constraint ride_work_pk primary key (barn_id, work_id),
    constraint ride_work_ride foreign key (barn_id, ride_id) references ride (barn_id, ride_id),
    constraint ride_work_cow foreign key (barn_id, cow_id) references cow (barn_id, cow_id),
    constraint ride_work_how_known check (ended_how in
        ('good_turn', 'lost', 'ran_through', 'left_cattle', 'rest')),
    constraint ride_work_end_whole check ((ended_after_ms is null) = (ended_how is null)),
    constraint ride_work_after_sane check (after_ms between 0 and 172800000),
    constraint ride_work_end_sane check (ended_after_ms between after_ms and 172800000)
);
call protect('ride_work');
create index ride_work_by_ride on ride_work (barn_id, ride_id);
create index ride_work_by_cow on ride_work (barn_id, cow_id);
create index rep_by_work on rep (barn_id, (measure ->> 'work_id')) where measure ? 'work_id';
