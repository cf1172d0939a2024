-- A ride that was recorded on the wrong horse is put right: it moves with its reps, and
-- what it was before is kept. A device that still knows it under the horse of before is
-- understood.
alter table rep drop constraint rep_ride;
alter table rep add constraint rep_ride foreign key (barn_id, ride_id, horse_id)
    references ride (barn_id, ride_id, horse_id) on update cascade;

create table ride_horse_change
(
    barn_id    uuid        not null,
    ride_id    uuid        not null,
    change     integer     not null,
    from_horse uuid        not null,
    to_horse   uuid        not null,
    changed_by uuid        not null,
    changed_at timestamptz not null default now(),
    constraint ride_horse_change_pk primary key (barn_id, ride_id, change),
    constraint ride_horse_change_ride foreign key (barn_id, ride_id) references ride (barn_id, ride_id),
    constraint ride_horse_change_from foreign key (barn_id, from_horse) references horse (barn_id, horse_id),
    constraint ride_horse_change_to foreign key (barn_id, to_horse) references horse (barn_id, horse_id),
    constraint ride_horse_change_person foreign key (barn_id, changed_by) references person (barn_id, person_id),
    constraint ride_horse_change_differs check (from_horse <> to_horse)
);
call protect('ride_horse_change');

-- Who else was there, on rides that nobody does alone.
alter table ride add column present text;
alter table ride add constraint ride_present_text check (printable(present) and length(present) between 1 and 80);
