-- Rounds on the cow of the trainer: the best of each rider make the leader list.
create table cow_round
(
    barn_id   uuid             not null references barn,
    round_id  uuid             not null,
    person_id uuid             not null,
    at        timestamptz      not null,
    level     text             not null,
    stale     boolean          not null,
    seed      bigint           not null,
    score     double precision not null,
    steered   jsonb            not null,
    constraint cow_round_pk primary key (barn_id, round_id),
    constraint cow_round_person foreign key (barn_id, person_id) references person (barn_id, person_id),
    constraint cow_round_level_known check (level in ('easy', 'middling', 'hard')),
    constraint cow_round_score_sane check (score between 0 and 100),
    constraint cow_round_seed_sane check (seed between 0 and 4294967295),
    constraint cow_round_steered_list check (jsonb_typeof(steered) = 'array')
);
call protect('cow_round');
create index cow_round_by_score on cow_round (barn_id, level, stale, score);
