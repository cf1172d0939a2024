create table ride
(
    barn_id     uuid        not null references barn,
    ride_id     uuid        not null,
    horse_id    uuid        not null,
    rider_id    uuid        not null,
    day         date        not null,
    started_at  timestamptz not null,
    finished_at timestamptz,
    received_at timestamptz not null default now(),
    constraint ride_pk primary key (barn_id, ride_id),
    -- Lets a rep name its horse and be held to the horse of its ride.
    constraint ride_of_horse unique (barn_id, ride_id, horse_id),
    constraint ride_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint ride_rider foreign key (barn_id, rider_id) references person (barn_id, person_id),
    constraint ride_ends_after_start check (finished_at >= started_at)
);
comment on column ride.day is 'calendar day of the start, where the barn is';
call protect('ride');
create index ride_by_day on ride (barn_id, day, horse_id);

create table rep
(
    barn_id     uuid        not null,
    rep_id      uuid        not null,
    ride_id     uuid        not null,
    horse_id    uuid        not null,
    skill       text        not null,
    gait        text        not null,
    side        text        not null,
    asked_at    timestamptz not null,
    measure     jsonb       not null,
    undone_at   timestamptz,
    recorded_by uuid        not null,
    received_at timestamptz not null default now(),
    constraint rep_pk primary key (barn_id, rep_id),
    constraint rep_ride foreign key (barn_id, ride_id, horse_id) references ride (barn_id, ride_id, horse_id),
    constraint rep_recorder foreign key (barn_id, recorded_by) references person (barn_id, person_id),
    constraint rep_gait_known check (gait in ('stand', 'walk', 'jog', 'trot', 'lope', 'gallop')),
    constraint rep_side_known check (side in ('left', 'right')),
    constraint rep_measure_kind check (measure ->> 'kind' in ('give')),
    constraint rep_time_not_negative check ((measure ->> 'time_s')::float8 >= 0)
);
comment on column rep.undone_at is 'taken back by the rider; kept, never judged';
call protect('rep');
create index rep_by_level on rep (barn_id, horse_id, skill, gait) where undone_at is null;
create index rep_by_ride on rep (barn_id, ride_id, asked_at);
