-- A level is a skill and one of its rungs; a rung is a gait, a difficulty or a
-- lead, and which rungs a skill has is the ladder's matter. All kinds of reps,
-- asks on both sides at once, and faults as chips.
alter table rep drop constraint rep_gait_known;
alter table rep drop constraint rep_side_known;
alter table rep drop constraint rep_measure_kind;
alter table rep rename column gait to rung;
alter table rep add constraint rep_side_known check (side in ('left', 'right', 'both'));
alter table rep add constraint rep_measure_kind check (measure ->> 'kind' in
    ('give', 'steps', 'circle', 'stop', 'roll', 'depart', 'change', 'carry', 'obstacle', 'turn',
     'run', 'calm', 'count'));
alter table rep add column faults text[] not null default '{}';
comment on column rep.faults is 'faults that were seen, beside those the measure tells of';

alter table program_day rename column gait to rung;

alter table ride add column marks text[] not null default '{}';
alter table ride add column note text not null default '';
alter table ride add constraint ride_marks_known check (marks <@ array
    ['bad_ground', 'wind', 'in_season', 'new_place', 'another_rider', 'new_rig', 'trouble']);
comment on column ride.marks is 'what made the ride unlike the others';

-- A fault seen in the asks of one level of a ride, not on one rep.
create table block_fault
(
    barn_id uuid not null,
    ride_id uuid not null,
    skill   text not null,
    rung    text not null,
    fault   text not null,
    constraint block_fault_pk primary key (barn_id, ride_id, skill, rung, fault),
    constraint block_fault_ride foreign key (barn_id, ride_id) references ride (barn_id, ride_id)
);
call protect('block_fault');

-- What is known of a horse has a version. Whatever changes it (a rep, a ride, a
-- note) raises the version of the horse first and keeps the row locked until
-- it is stored, so that versions appear in their order; who knows version n
-- reads what came after n and has all.
alter table horse add column known_version bigint not null default 0;
alter table rep add column known_version bigint not null default 0;
create index rep_by_version on rep (barn_id, horse_id, known_version);
