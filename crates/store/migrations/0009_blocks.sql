-- A ride has blocks, and a rep names its block and its level; that both are the
-- same level is held by the database. A ride's order is that of a steady clock:
-- milliseconds since its start. What the device's own clock said is kept beside
-- the time that was put right.
create table ride_block
(
    barn_id  uuid        not null,
    ride_id  uuid        not null,
    block_id uuid        not null,
    position integer     not null,
    skill    text        not null,
    rung     text        not null,
    made_at  timestamptz not null default now(),
    constraint ride_block_pk primary key (barn_id, ride_id, block_id),
    constraint ride_block_ride foreign key (barn_id, ride_id) references ride (barn_id, ride_id),
    -- Lets a rep be held to the level of its block.
    constraint ride_block_of_level unique (barn_id, ride_id, block_id, skill, rung),
    constraint ride_block_position_sane check (position between 0 and 200)
);
call protect('ride_block');

-- Rides from before had no blocks: one for each level that was asked.
insert into ride_block (barn_id, ride_id, block_id, position, skill, rung)
select barn_id, ride_id, gen_random_uuid(),
       least(row_number() over (partition by barn_id, ride_id order by min(asked_at), skill, rung) - 1, 200),
       skill, rung
from rep
group by barn_id, ride_id, skill, rung;

alter table ride add column device_started_at timestamptz;
update ride set device_started_at = started_at where device_started_at is null;
alter table ride alter column device_started_at set not null;
comment on column ride.started_at is 'on the server''s clock';
comment on column ride.device_started_at is 'as the device''s clock stood; never changes';
alter table ride add column opened_again integer not null default 0;
alter table ride add constraint ride_opened_again_sane check (opened_again between 0 and 1000);

alter table rep add column block_id uuid;
alter table rep add column sequence integer;
alter table rep add column asked_after_ms integer;
alter table rep add column device_asked_at timestamptz;
alter table rep add column changes integer not null default 0;
update rep
set block_id        = block.block_id,
    sequence        = placed.sequence,
    asked_after_ms  = placed.asked_after_ms,
    device_asked_at = rep.asked_at,
    changes         = case when rep.undone_at is null then 0 else 1 end
from ride_block block,
     (select rep.barn_id, rep.rep_id,
             row_number() over (partition by rep.barn_id, rep.ride_id order by rep.asked_at, rep.rep_id) - 1 as sequence,
             least(greatest(extract(epoch from rep.asked_at - ride.started_at) * 1000, 0), 172800000)::integer
                 as asked_after_ms
      from rep
      join ride on ride.barn_id = rep.barn_id and ride.ride_id = rep.ride_id) placed
where block.barn_id = rep.barn_id and block.ride_id = rep.ride_id
  and block.skill = rep.skill and block.rung = rep.rung
  and placed.barn_id = rep.barn_id and placed.rep_id = rep.rep_id;
alter table rep alter column block_id set not null;
alter table rep alter column sequence set not null;
alter table rep alter column asked_after_ms set not null;
alter table rep alter column device_asked_at set not null;
alter table rep add constraint rep_block foreign key (barn_id, ride_id, block_id, skill, rung)
    references ride_block (barn_id, ride_id, block_id, skill, rung);
alter table rep add constraint rep_asked_in_ride check (asked_after_ms between 0 and 172800000);
alter table rep add constraint rep_sequence_sane check (sequence between 0 and 100000);
alter table rep add constraint rep_changes_sane check (changes between 0 and 1000);
comment on column rep.asked_at is 'on the server''s clock: the ride''s start and asked_after_ms';
comment on column rep.device_asked_at is 'as the device''s clock stood';
comment on column rep.changes is 'how often it was taken back or brought back; the highest is the latest word';
