-- A signed-in device. The session is what says which barn a request belongs to,
-- so it is looked up by its id alone, outside any barn.
create table session
(
    barn_id    uuid        not null,
    session_id text        not null,
    person_id  uuid        not null,
    data       jsonb       not null,
    expires_at timestamptz not null,
    constraint session_pk primary key (barn_id, session_id),
    constraint session_person foreign key (barn_id, person_id) references person on delete cascade
);
call protect('session');
create index session_by_id on session (session_id);
create index session_by_expiry on session (expires_at);
