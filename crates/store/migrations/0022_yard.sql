-- Places, gear and cattle by name and kind. What has been used is put away, never
-- deleted.
alter table place add column horses_at_once integer not null default 3;
alter table place add column put_away_at timestamptz;
alter table place add constraint place_horses_sane check (horses_at_once between 1 and 40);

create table gear
(
    barn_id     uuid not null references barn,
    gear_id     uuid not null,
    name        text not null,
    kind        text not null,
    note        text not null default '',
    put_away_at timestamptz,
    constraint gear_pk primary key (barn_id, gear_id),
    constraint gear_name_taken unique (barn_id, name),
    constraint gear_kind_known check (kind in
        ('halter', 'snaffle', 'bosal', 'shank', 'two_rein', 'saddle', 'boots', 'ground_tool')),
    constraint gear_name_text check (printable(name) and length(name) between 1 and 80),
    constraint gear_note_text check (printable(note) and length(note) <= 600)
);
call protect('gear');

create table cattle_lot
(
    barn_id     uuid    not null references barn,
    lot_id      uuid    not null,
    name        text    not null,
    kind        text    not null,
    head        integer not null,
    note        text    not null default '',
    put_away_at timestamptz,
    constraint cattle_lot_pk primary key (barn_id, lot_id),
    constraint cattle_lot_name_taken unique (barn_id, name),
    constraint cattle_lot_kind_known check (kind in ('heifers', 'steers', 'cows', 'mixed')),
    constraint cattle_lot_head_sane check (head between 1 and 2000),
    constraint cattle_lot_name_text check (printable(name) and length(name) between 1 and 80),
    constraint cattle_lot_note_text check (printable(note) and length(note) <= 600)
);
call protect('cattle_lot');
