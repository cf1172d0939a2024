-- Devices of a barn that are unplugged: it does not hear them until they are plugged in again.
create table device_unplugged
(
    barn_id uuid        not null references barn,
    device  text        not null,
    by_id   uuid        not null,
    at      timestamptz not null,
    constraint device_unplugged_pk primary key (barn_id, device),
    constraint device_unplugged_by foreign key (barn_id, by_id) references person (barn_id, person_id),
    constraint device_unplugged_known check (device in ('eyes', 'flag', 'weather'))
);
call protect('device_unplugged');
