-- A program: schools and changed gates, as a difference from one version of the
-- ladder. Every version is kept; the highest is the one in use.
create table program
(
    barn_id    uuid        not null references barn,
    program_id uuid        not null,
    made_at    timestamptz not null default now(),
    constraint program_pk primary key (barn_id, program_id)
);
call protect('program');

create table program_version
(
    barn_id        uuid        not null,
    program_id     uuid        not null,
    version        integer     not null,
    ladder_version integer     not null,
    content        jsonb       not null,
    made_by        uuid        not null,
    made_at        timestamptz not null default now(),
    constraint program_version_pk primary key (barn_id, program_id, version),
    constraint program_version_program foreign key (barn_id, program_id) references program (barn_id, program_id),
    constraint program_version_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint program_version_counts check (version >= 1)
);
call protect('program_version');

alter table horse add column program_id uuid;
alter table horse add constraint horse_program foreign key (barn_id, program_id) references program (barn_id, program_id);
comment on column horse.program_id is 'none: the ladder as it ships';
