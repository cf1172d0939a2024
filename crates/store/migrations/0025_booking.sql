-- What stands in a day: rides, appointments, outings, places made ready. PostgreSQL itself
-- refuses to book a horse, a person or a spot in a place twice. A place that holds
-- several horses has as many spots. The extension ships with PostgreSQL and is one that
-- the owner of a database may add.
create extension if not exists btree_gist;

create table booking
(
    barn_id         uuid        not null references barn,
    booking_id      uuid        not null,
    day             date        not null,
    kind            text        not null,
    horse_id        uuid,
    person_id       uuid,
    place_id        uuid,
    place_spot      integer,
    during          tstzrange   not null,
    skill           text,
    rung            text,
    note            text        not null default '',
    skipped_because text,
    made_by         uuid,
    made_at         timestamptz not null default now(),
    constraint booking_pk primary key (barn_id, booking_id),
    constraint booking_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint booking_person foreign key (barn_id, person_id) references person (barn_id, person_id),
    constraint booking_place foreign key (barn_id, place_id) references place (barn_id, place_id),
    constraint booking_maker foreign key (barn_id, made_by) references person (barn_id, person_id),
    constraint booking_kind_known check (kind in
        ('ride', 'outing', 'farrier', 'dentist', 'vet', 'lesson', 'owner_visit', 'haul',
         'barrels_set', 'herd_gathered', 'ground_dragged')),
    constraint booking_has_length check (not isempty(during) and lower_inc(during) and not upper_inc(during)),
    constraint booking_within_two_days check (upper(during) - lower(during) between interval '5 minutes' and interval '24 hours'),
    constraint booking_ride_has_horse check (kind not in ('ride', 'outing') or horse_id is not null),
    constraint booking_spot_in_place check ((place_spot is null) = (place_id is null or horse_id is null)),
    constraint booking_level_whole check ((skill is null) = (rung is null)),
    constraint booking_note_text check (printable(note) and length(note) <= 600),
    constraint booking_because_text check (printable(skipped_because) and length(skipped_because) between 1 and 600),
    constraint booking_day_sane check (day between date '2020-01-01' and date '2200-01-01'),
    constraint booking_horse_free exclude using gist
        (barn_id with =, horse_id with =, during with &&) where (skipped_because is null),
    constraint booking_person_free exclude using gist
        (barn_id with =, person_id with =, during with &&) where (skipped_because is null),
    constraint booking_place_free exclude using gist
        (barn_id with =, place_id with =, place_spot with =, during with &&) where (skipped_because is null)
);
comment on column booking.day is 'calendar day of the start, where the barn is';
comment on column booking.place_spot is 'which of the horses that the place holds at once, from 0';
call protect('booking');
create index booking_by_day on booking (barn_id, day);

-- That the week's plan was laid out on a day: from then on the day stands by itself.
create table day_laid_out
(
    barn_id uuid not null references barn,
    day     date not null,
    constraint day_laid_out_pk primary key (barn_id, day)
);
call protect('day_laid_out');
