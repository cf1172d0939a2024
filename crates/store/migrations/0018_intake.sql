-- That a ride is part of an intake: the story the horse came with, what was passed over.
alter table ride add column intake jsonb;
comment on column ride.intake is 'null for any other ride';

-- What the intake of a horse found, made anew with every batch of its rides.
create table intake
(
    barn_id        uuid        not null,
    horse_id       uuid        not null,
    day            date        not null,
    known_version  bigint      not null,
    ladder_version integer     not null,
    kept           jsonb       not null,
    found          jsonb       not null,
    made_at        timestamptz not null default now(),
    constraint intake_pk primary key (barn_id, horse_id),
    constraint intake_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id)
);
comment on column intake.kept is 'what the judge takes from it: levels shown, with their chances, and holes';
comment on column intake.found is 'every level with its chance, and why some are still unknown';
call protect('intake');
