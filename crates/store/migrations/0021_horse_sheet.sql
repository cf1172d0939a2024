-- The sheet of a horse, its goals, and that it went home: kept whole, it comes back as
-- it was.
alter table horse add column markings text not null default '';
alter table horse add column note text not null default '';
alter table horse add column sent_home_at timestamptz;
alter table horse add constraint horse_markings_text check (printable(markings) and length(markings) <= 600);
alter table horse add constraint horse_note_text check (printable(note) and length(note) <= 600);

create table goal
(
    barn_id  uuid    not null,
    horse_id uuid    not null,
    position integer not null,
    kind     text    not null,
    name     text    not null,
    day      date    not null,
    constraint goal_pk primary key (barn_id, horse_id, position),
    constraint goal_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint goal_kind_known check (kind in ('show', 'sale', 'go_home', 'other')),
    constraint goal_name_text check (printable(name) and length(name) between 1 and 80),
    constraint goal_day_sane check (day between date '2020-01-01' and date '2200-01-01')
);
call protect('goal');

-- Rides a week that a program means its horses to have.
alter table program add column rides_a_week integer not null default 5;
alter table program add constraint program_rides_sane check (rides_a_week between 0 and 12);
