-- How a ride ended, the horse's mood, and the headgear it was ridden in. Words this
-- version does not know are kept and left out.
alter table ride add column ended text;
alter table ride add column mood text;

create table ride_rig
(
    barn_id  uuid    not null,
    ride_id  uuid    not null,
    after_ms integer not null,
    kind     text    not null,
    name     text    not null,
    constraint ride_rig_pk primary key (barn_id, ride_id, after_ms),
    constraint ride_rig_ride foreign key (barn_id, ride_id) references ride (barn_id, ride_id),
    constraint ride_rig_after_sane check (after_ms >= 0)
);
comment on column ride_rig.after_ms is 'milliseconds from the start of the ride';
call protect('ride_rig');
