-- When a place is open; null on both: always.
alter table place
    add column opens time,
    add column closes time,
    add constraint place_hours_whole check ((opens is null) = (closes is null)),
    add constraint place_hours_sane check (opens < closes);
