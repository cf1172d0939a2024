-- A CSV sheet that was brought in: what came of it names it, so that it can be taken back whole.
create table import
(
    barn_id   uuid        not null references barn,
    import_id uuid        not null,
    sheet     text        not null,
    name      text        not null,
    rows      integer     not null,
    made      jsonb       not null,
    by_id     uuid        not null,
    at        timestamptz not null,
    undone_at timestamptz,
    constraint import_pk primary key (barn_id, import_id),
    constraint import_by foreign key (barn_id, by_id) references person (barn_id, person_id),
    constraint import_sheet_known check (sheet in ('horses', 'herd', 'rides', 'runs', 'asks')),
    constraint import_name_text check (printable(name) and length(name) between 1 and 200),
    constraint import_rows_sane check (rows between 1 and 200000),
    constraint import_made_object check (jsonb_typeof(made) = 'object')
);
comment on column import.made is 'how many horses, cattle, rides and asks it made';
call protect('import');

alter table horse add column import_id uuid;
alter table cow add column import_id uuid;
alter table ride add column import_id uuid;
alter table rep add column import_id uuid;
alter table horse add constraint horse_import foreign key (barn_id, import_id) references import (barn_id, import_id);
alter table cow add constraint cow_import foreign key (barn_id, import_id) references import (barn_id, import_id);
alter table ride add constraint ride_import foreign key (barn_id, import_id) references import (barn_id, import_id);
alter table rep add constraint rep_import foreign key (barn_id, import_id) references import (barn_id, import_id);
create index horse_by_import on horse (barn_id, import_id) where import_id is not null;
create index cow_by_import on cow (barn_id, import_id) where import_id is not null;
create index ride_by_import on ride (barn_id, import_id) where import_id is not null;
create index rep_by_import on rep (barn_id, import_id) where import_id is not null;

-- What was known of a horse up to this version is read anew: something was taken out of it.
alter table horse add column forgotten_until bigint;
