-- How riders differ, found once a day from the days before it, where two of them
-- asked the same levels of the same horses. A comparison never changes, so all
-- servers judge by the same.
create table rider_comparison
(
    barn_id uuid        not null,
    day     date        not null,
    made_at timestamptz not null default now(),
    constraint rider_comparison_pk primary key (barn_id, day),
    constraint rider_comparison_barn foreign key (barn_id) references barn (barn_id)
);
call protect('rider_comparison');

create table rider_offset
(
    barn_id      uuid             not null,
    day          date             not null,
    rider_id     uuid             not null,
    logit_offset double precision not null,
    logit_sd     double precision not null,
    asks         integer          not null,
    horses       integer          not null,
    constraint rider_offset_pk primary key (barn_id, day, rider_id),
    constraint rider_offset_comparison foreign key (barn_id, day) references rider_comparison (barn_id, day),
    constraint rider_offset_rider foreign key (barn_id, rider_id) references person (barn_id, person_id),
    constraint rider_offset_sd_positive check (logit_sd > 0),
    constraint rider_offset_counts check (asks > 0 and horses > 0)
);
call protect('rider_offset');
