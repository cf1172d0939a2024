create table place
(
    barn_id  uuid not null references barn,
    place_id uuid not null,
    name     text not null,
    kind     text not null,
    constraint place_pk primary key (barn_id, place_id),
    constraint place_name_taken unique (barn_id, name),
    constraint place_kind_known check (kind in ('arena', 'round_pen', 'cattle_pen', 'outside'))
);
call protect('place');

create table horse
(
    barn_id  uuid        not null references barn,
    horse_id uuid        not null,
    name     text        not null,
    sex      text        not null,
    foaled   integer     not null,
    color    text        not null,
    owner_id uuid,
    made_at  timestamptz not null default now(),
    constraint horse_pk primary key (barn_id, horse_id),
    constraint horse_name_taken unique (barn_id, name),
    constraint horse_owner foreign key (barn_id, owner_id) references person (barn_id, person_id),
    constraint horse_sex_known check (sex in ('mare', 'gelding', 'stallion')),
    constraint horse_foaled_sane check (foaled between 1980 and 2100)
);
call protect('horse');

-- The days of the week a program has a horse ridden: when, by whom, where, and
-- which level the ride is for.
create table program_day
(
    barn_id   uuid    not null,
    horse_id  uuid    not null,
    weekday   integer not null,
    starts_at time    not null,
    rider_id  uuid    not null,
    place_id  uuid    not null,
    skill     text    not null,
    gait      text    not null,
    constraint program_day_pk primary key (barn_id, horse_id, weekday),
    constraint program_day_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint program_day_rider foreign key (barn_id, rider_id) references person (barn_id, person_id),
    constraint program_day_place foreign key (barn_id, place_id) references place (barn_id, place_id),
    constraint program_day_weekday_known check (weekday between 1 and 7)
);
comment on column program_day.weekday is '1 is Monday, 7 is Sunday (ISO 8601)';
call protect('program_day');
