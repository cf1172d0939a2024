-- The trainer has the last word. An overrule is kept; taking it back is one more
-- fact about it.
create table overrule
(
    barn_id      uuid        not null,
    overrule_id  uuid        not null,
    horse_id     uuid        not null,
    skill        text        not null,
    rung         text        not null,
    day          date        not null,
    judge_said   text        not null,
    counts_as    text        not null,
    reason       text        not null,
    made_by      uuid        not null,
    made_at      timestamptz not null default now(),
    withdrawn_at timestamptz,
    constraint overrule_pk primary key (barn_id, overrule_id),
    constraint overrule_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint overrule_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint overrule_verdicts_known check (
        judge_said in ('check_first', 'ease_back', 'advance', 'confirm', 'stay', 'refresh') and
        counts_as in ('check_first', 'ease_back', 'advance', 'confirm', 'stay', 'refresh')),
    constraint overrule_differs check (judge_said <> counts_as),
    constraint overrule_reason_said check (length(reason) between 1 and 600)
);
call protect('overrule');
create index overrule_by_horse on overrule (barn_id, horse_id, made_at);

-- Care: flags that stay open until cleared, and checks of teeth and bit seat.
create table care
(
    barn_id    uuid        not null,
    care_id    uuid        not null,
    horse_id   uuid        not null,
    kind       text        not null,
    day        date        not null,
    cleared_on date,
    says       text        not null default '',
    made_by    uuid        not null,
    made_at    timestamptz not null default now(),
    constraint care_pk primary key (barn_id, care_id),
    constraint care_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint care_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint care_kind_known check (kind in ('pain', 'unlevel', 'rig_misfit', 'teeth', 'bit_seat')),
    constraint care_cleared_after check (cleared_on >= day)
);
call protect('care');
create index care_by_horse on care (barn_id, horse_id, day);

-- Blocks put on the card of a coming day, such as the remedy under a hole.
create table card_block
(
    barn_id    uuid        not null,
    block_id   uuid        not null,
    horse_id   uuid        not null,
    day        date        not null,
    skill      text        not null,
    rung       text        not null,
    side       text,
    says       text        not null,
    fault      text,
    made_by    uuid        not null,
    made_at    timestamptz not null default now(),
    removed_at timestamptz,
    constraint card_block_pk primary key (barn_id, block_id),
    constraint card_block_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint card_block_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint card_block_side_known check (side in ('left', 'right', 'both')),
    constraint card_block_says_something check (length(says) between 1 and 600)
);
call protect('card_block');
create index card_block_by_day on card_block (barn_id, day, horse_id) where removed_at is null;

-- What the judge said, each time it said something else than before, with the
-- versions it was made with.
create table kept_verdict
(
    barn_id         uuid        not null,
    horse_id        uuid        not null,
    skill           text        not null,
    rung            text        not null,
    known_version   bigint      not null,
    day             date        not null,
    verdict         text        not null,
    state           text        not null,
    ladder_version  integer     not null,
    program_id      uuid,
    program_version integer,
    kept_at         timestamptz not null default now(),
    constraint kept_verdict_pk primary key (barn_id, horse_id, skill, rung, known_version),
    constraint kept_verdict_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id)
);
call protect('kept_verdict');
