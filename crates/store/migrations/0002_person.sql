create table person
(
    barn_id       uuid        not null references barn,
    person_id     uuid        not null,
    sign_in       text        not null,
    name          text        not null,
    role          text        not null,
    password_hash text        not null,
    made_at       timestamptz not null default now(),
    constraint person_pk primary key (barn_id, person_id),
    constraint person_sign_in_taken unique (barn_id, sign_in),
    constraint person_sign_in_shape check (sign_in ~ '^[a-z0-9][a-z0-9.-]{0,39}$'),
    constraint person_name_shape check (length(name) between 1 and 80),
    constraint person_role_known check (role in ('trainer', 'rider', 'helper', 'owner'))
);
call protect('person');
