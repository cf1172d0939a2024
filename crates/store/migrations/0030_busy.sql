-- When somebody is busy elsewhere, from a calendar of their own. Only the times are kept,
-- not what they are for.
create table busy_calendar
(
    barn_id     uuid        not null references barn,
    calendar_id uuid        not null,
    person_id   uuid        not null,
    name        text        not null,
    made_by     uuid        not null,
    made_at     timestamptz not null,
    constraint busy_calendar_pk primary key (barn_id, calendar_id),
    constraint busy_calendar_person foreign key (barn_id, person_id) references person (barn_id, person_id),
    constraint busy_calendar_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint busy_calendar_name_text check (printable(name) and length(name) between 1 and 80)
);
call protect('busy_calendar');

create table busy_time
(
    barn_id     uuid      not null references barn,
    calendar_id uuid      not null,
    during      tstzrange not null,
    constraint busy_time_pk primary key (barn_id, calendar_id, during),
    constraint busy_time_calendar foreign key (barn_id, calendar_id)
        references busy_calendar (barn_id, calendar_id) on delete cascade,
    constraint busy_time_has_length check (not isempty(during) and lower_inc(during) and not upper_inc(during))
);
call protect('busy_time');
