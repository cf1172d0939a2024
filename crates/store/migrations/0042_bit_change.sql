-- Changing the bit, step by step.
create table bit_change
(
    barn_id      uuid        not null references barn,
    change_id    uuid        not null,
    horse_id     uuid        not null,
    gear_id      uuid        not null,
    from_gear_id uuid,
    started_at   timestamptz not null,
    day          date        not null,
    steps        jsonb       not null,
    made_by      uuid        not null,
    constraint bit_change_pk primary key (barn_id, change_id),
    constraint bit_change_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint bit_change_gear foreign key (barn_id, gear_id) references gear (barn_id, gear_id),
    constraint bit_change_from foreign key (barn_id, from_gear_id) references gear (barn_id, gear_id),
    constraint bit_change_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint bit_change_steps_list check (jsonb_typeof(steps) = 'array' and jsonb_array_length(steps) <= 100)
);
call protect('bit_change');
create index bit_change_by_horse on bit_change (barn_id, horse_id, started_at);
