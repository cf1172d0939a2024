-- What the trainer is told once: that a level was lost, and what changed when the history
-- of a horse was told anew by a newer program.
create table news
(
    barn_id  uuid        not null,
    news_id  uuid        not null,
    horse_id uuid        not null,
    day      date        not null,
    kind     text        not null,
    skill    text        not null default '',
    rung     text        not null default '',
    says     text        not null,
    made_at  timestamptz not null default now(),
    seen_by  uuid,
    seen_at  timestamptz,
    constraint news_pk primary key (barn_id, news_id),
    constraint news_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint news_seen_by foreign key (barn_id, seen_by) references person (barn_id, person_id),
    constraint news_kind_known check (kind in ('lost', 'retold')),
    constraint news_seen_once check ((seen_by is null) = (seen_at is null)),
    constraint news_told_once unique (barn_id, horse_id, kind, skill, rung, day)
);
call protect('news');
create index news_unseen on news (barn_id, day) where seen_at is null;

-- By which form of the rules the histories of a barn's horses were told last.
create table history_told
(
    barn_id uuid        not null references barn,
    form    smallint    not null,
    told_at timestamptz not null default now(),
    constraint history_told_pk primary key (barn_id)
);
call protect('history_told');
