-- Texts can be printed and are trimmed: the same bounds as on the wire and in the
-- forms. What was stored before is put right.
create function printable(said text) returns boolean
    language sql immutable
    return said !~ U&'[\0001-\0009\000B-\001F\007F-\009F\200B-\200F\2028-\202E\2060-\2069\FEFF\FFF9-\FFFD]'
        and said = btrim(said, E' \t\n\r');

create function made_printable(said text) returns text
    language sql immutable
    return btrim(regexp_replace(said,
        U&'[\0001-\0009\000B-\001F\007F-\009F\200B-\200F\2028-\202E\2060-\2069\FEFF\FFF9-\FFFD]', '', 'g'), E' \t\n\r');

update ride set note = left(made_printable(note), 600) where not printable(note) or length(note) > 600;
update care set says = left(made_printable(says), 600) where not printable(says) or length(says) > 600;
update overrule set reason = coalesce(nullif(made_printable(reason), ''), 'no reason kept') where not printable(reason);
update card_block set says = coalesce(nullif(made_printable(says), ''), 'nothing said') where not printable(says);
update person set name = coalesce(nullif(made_printable(name), ''), sign_in) where not printable(name);
update barn set name = coalesce(nullif(made_printable(name), ''), handle) where not printable(name);
update program_version
set content = jsonb_set(content, '{name}', to_jsonb(coalesce(nullif(made_printable(content ->> 'name'), ''), 'Program')))
where not printable(content ->> 'name');

alter table ride add constraint ride_note_text check (printable(note) and length(note) <= 600);
alter table care add constraint care_says_text check (printable(says) and length(says) <= 600);
alter table overrule add constraint overrule_reason_text check (printable(reason));
alter table card_block add constraint card_block_says_text check (printable(says));
alter table person add constraint person_name_text check (printable(name));
alter table barn add constraint barn_name_text check (printable(name));
alter table horse add constraint horse_name_text check (printable(name) and length(name) between 1 and 80);
alter table horse add constraint horse_color_text check (printable(color) and length(color) between 1 and 40);
alter table place add constraint place_name_text check (printable(name) and length(name) between 1 and 80);
alter table program_version add constraint program_version_name_text
    check (printable(content ->> 'name') and length(content ->> 'name') between 1 and 40);

-- Dates lie where they can: care not before the product and not long after.
update care set day = least(greatest(day, date '2000-01-01'), made_at::date + 1)
where day not between date '2000-01-01' and made_at::date + 1;
update care set cleared_on = greatest(day, cleared_on) where cleared_on < day;
alter table care add constraint care_day_sane check (day between date '1990-01-01' and date '2200-01-01');
alter table card_block add constraint card_block_day_sane check (day between date '2020-01-01' and date '2200-01-01');
alter table ride add constraint ride_start_sane
    check (started_at between timestamptz '2020-01-01 00:00:00+00' and timestamptz '2200-01-01 00:00:00+00');
