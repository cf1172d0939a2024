-- People come by a link and set their own password; until then there is none. Who
-- leaves is kept and cannot sign in.
alter table person alter column password_hash drop not null;
alter table person add column left_at timestamptz;
comment on column person.password_hash is 'null until they have set a password';

-- What a person is cleared for. Who was here before may ride as before.
alter table person add column only_horses uuid[];
alter table person add column cleared_rigs text[] not null default '{halter,snaffle,bosal,shank,two_rein}';
alter table person add column cleared_cattle boolean not null default true;
alter table person add column cleared_first_rides boolean not null default true;
comment on column person.only_horses is 'null for all horses';

-- Who works which days of the week, from when to when.
create table work_hours
(
    barn_id     uuid    not null,
    person_id   uuid    not null,
    weekday     integer not null,
    from_time   time    not null,
    to_time     time    not null,
    most_horses integer not null,
    constraint work_hours_pk primary key (barn_id, person_id, weekday),
    constraint work_hours_person foreign key (barn_id, person_id) references person (barn_id, person_id),
    constraint work_hours_weekday_known check (weekday between 1 and 7),
    constraint work_hours_have_length check (from_time < to_time),
    constraint work_hours_horses_sane check (most_horses between 0 and 20)
);
call protect('work_hours');

-- A link that lets somebody in: to begin a barn, to take up an invitation, to set a new
-- password. Of the word in the link only a hash is kept. It works once, until it
-- expires or is taken back. The word is what says which barn it belongs to, so it is
-- looked up by its hash alone, outside any barn.
create table access_link
(
    barn_id    uuid        not null,
    link_id    uuid        not null,
    person_id  uuid        not null,
    kind       text        not null,
    word_hash  bytea       not null,
    made_by    uuid,
    made_at    timestamptz not null,
    expires_at timestamptz not null,
    used_at    timestamptz,
    revoked_at timestamptz,
    constraint access_link_pk primary key (barn_id, link_id),
    constraint access_link_word unique (word_hash),
    constraint access_link_person foreign key (barn_id, person_id) references person (barn_id, person_id),
    constraint access_link_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint access_link_kind_known check (kind in ('begin', 'invite', 'reset')),
    constraint access_link_expires_later check (expires_at > made_at)
);
call protect('access_link');
create index access_link_by_person on access_link (barn_id, person_id, made_at);
