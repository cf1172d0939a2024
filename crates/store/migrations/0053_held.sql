-- Where a horse was placed by hand, by a trainer who knows it: these levels count as held
-- until first asks confirm or contradict them.
create table horse_placing
(
    barn_id      uuid        not null,
    placing_id   uuid        not null,
    horse_id     uuid        not null,
    day          date        not null,
    levels       jsonb       not null,
    made_by      uuid        not null,
    made_at      timestamptz not null default now(),
    withdrawn_at timestamptz,
    constraint horse_placing_pk primary key (barn_id, placing_id),
    constraint horse_placing_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint horse_placing_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint horse_placing_names_levels check (jsonb_typeof(levels) = 'array' and jsonb_array_length(levels) between 1 and 400)
);
call protect('horse_placing');
create index horse_placing_by_horse on horse_placing (barn_id, horse_id, made_at);

-- A trainer's answer to a side that went bad at once: who looked, and what came of it.
create table drop_answer
(
    barn_id      uuid        not null,
    answer_id    uuid        not null,
    horse_id     uuid        not null,
    skill        text        not null,
    rung         text        not null,
    side         text        not null,
    day          date        not null,
    says         text        not null,
    made_by      uuid        not null,
    made_at      timestamptz not null default now(),
    constraint drop_answer_pk primary key (barn_id, answer_id),
    constraint drop_answer_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint drop_answer_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint drop_answer_side_known check (side in ('left', 'right')),
    constraint drop_answer_says_something check (length(says) between 1 and 600)
);
call protect('drop_answer');
create index drop_answer_by_horse on drop_answer (barn_id, horse_id, made_at);
