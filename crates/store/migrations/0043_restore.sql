-- The way back for a horse that fights the bit: weeks in something mild, named riders.
create table restore
(
    barn_id    uuid    not null references barn,
    restore_id uuid    not null,
    horse_id   uuid    not null,
    gear_id    uuid    not null,
    weeks      integer not null,
    riders     uuid[]  not null,
    began      date    not null,
    ended      date,
    constraint restore_pk primary key (barn_id, restore_id),
    constraint restore_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint restore_gear foreign key (barn_id, gear_id) references gear (barn_id, gear_id),
    constraint restore_weeks_sane check (weeks between 2 and 52),
    constraint restore_riders_sane check (cardinality(riders) between 1 and 20),
    constraint restore_ends_after_begin check (ended >= began)
);
call protect('restore');
create unique index restore_one_open on restore (barn_id, horse_id) where ended is null;
