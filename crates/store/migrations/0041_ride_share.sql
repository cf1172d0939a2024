-- In the two-rein: the share of the bosal along a ride, and what the horse asked for.
create table ride_share
(
    barn_id   uuid             not null,
    ride_id   uuid             not null,
    after_ms  integer          not null,
    bosal_pct double precision not null,
    constraint ride_share_pk primary key (barn_id, ride_id, after_ms),
    constraint ride_share_ride foreign key (barn_id, ride_id) references ride (barn_id, ride_id),
    constraint ride_share_after_sane check (after_ms between 0 and 172800000),
    constraint ride_share_sane check (bosal_pct between 0 and 100)
);
call protect('ride_share');

create table horse_asked
(
    barn_id  uuid    not null,
    ride_id  uuid    not null,
    ask_id   uuid    not null,
    after_ms integer not null,
    ask      text    not null,
    undone   boolean not null,
    constraint horse_asked_pk primary key (barn_id, ride_id, ask_id),
    constraint horse_asked_ride foreign key (barn_id, ride_id) references ride (barn_id, ride_id),
    constraint horse_asked_after_sane check (after_ms between 0 and 172800000),
    constraint horse_asked_known check (ask in ('for_bridle', 'back'))
);
call protect('horse_asked');
