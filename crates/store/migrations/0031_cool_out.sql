-- A horse is cooled out after work: pulse and breathing by the minute.
create table cool_out
(
    barn_id     uuid        not null references barn,
    cool_out_id uuid        not null,
    horse_id    uuid        not null,
    started_at  timestamptz not null,
    day         date        not null,
    note        text        not null default '',
    made_by     uuid        not null,
    constraint cool_out_pk primary key (barn_id, cool_out_id),
    constraint cool_out_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint cool_out_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint cool_out_note_text check (printable(note) and length(note) <= 600)
);
call protect('cool_out');
create index cool_out_by_horse on cool_out (barn_id, horse_id, started_at);

create table cool_reading
(
    barn_id       uuid             not null references barn,
    cool_out_id   uuid             not null,
    minute        integer          not null,
    pulse         integer          not null,
    breaths       integer          not null,
    temperature_f double precision,
    constraint cool_reading_pk primary key (barn_id, cool_out_id, minute),
    constraint cool_reading_of foreign key (barn_id, cool_out_id) references cool_out (barn_id, cool_out_id),
    constraint cool_reading_minute_sane check (minute between 0 and 240),
    constraint cool_reading_pulse_sane check (pulse between 20 and 260),
    constraint cool_reading_breaths_sane check (breaths between 4 and 200),
    constraint cool_reading_temperature_sane check (temperature_f between 90 and 112)
);
call protect('cool_reading');
