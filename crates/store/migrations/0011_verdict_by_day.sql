-- A verdict changes with what is known, and with the date alone: a level turns
-- rusty overnight. Two changes on one version are both kept, each on its day.
alter table kept_verdict drop constraint kept_verdict_pk;
alter table kept_verdict add constraint kept_verdict_pk
    primary key (barn_id, horse_id, skill, rung, day, known_version);

-- The last day up to which what was said of a horse has been kept.
alter table horse add column judged_until date;
update horse
set judged_until = (select max(day) from kept_verdict k
                    where k.barn_id = horse.barn_id and k.horse_id = horse.horse_id);
