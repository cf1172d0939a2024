-- From which day on a horse is on which program; none is the ladder as it ships. A horse
-- without a row has always been on the one that stands with it.
create table horse_program
(
    barn_id    uuid not null,
    horse_id   uuid not null,
    from_day   date not null,
    program_id uuid,
    constraint horse_program_pk primary key (barn_id, horse_id, from_day),
    constraint horse_program_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint horse_program_program foreign key (barn_id, program_id) references program (barn_id, program_id)
);
call protect('horse_program');

alter table program_version add column from_day date;
comment on column program_version.from_day is 'the first day on which it holds; none, from before this was kept: the day it was made';
