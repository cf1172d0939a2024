-- Barrel courses, drills and trail courses, where they lie in a place.
create table course
(
    barn_id     uuid not null references barn,
    course_id   uuid not null,
    place_id    uuid not null,
    name        text not null,
    kind        text not null,
    plan        jsonb not null,
    put_away_at timestamptz,
    constraint course_pk primary key (barn_id, course_id),
    constraint course_place foreign key (barn_id, place_id) references place (barn_id, place_id),
    constraint course_name_taken unique (barn_id, place_id, name),
    constraint course_kind_known check (kind in ('barrels', 'drill', 'trail')),
    constraint course_plan_object check (jsonb_typeof(plan) = 'object'),
    constraint course_name_text check (printable(name) and length(name) between 1 and 80)
);
call protect('course');
