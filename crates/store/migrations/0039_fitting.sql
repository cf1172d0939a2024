-- Which piece is fitted on which horse, and which headgear the horse wears.
create table fitting
(
    barn_id   uuid        not null references barn,
    horse_id  uuid        not null,
    gear_id   uuid        not null,
    on_head   boolean     not null,
    worn      boolean     not null,
    fitting   jsonb       not null,
    fitted_at timestamptz not null,
    fitted_by uuid        not null,
    constraint fitting_pk primary key (barn_id, horse_id, gear_id),
    constraint fitting_horse foreign key (barn_id, horse_id) references horse (barn_id, horse_id),
    constraint fitting_gear foreign key (barn_id, gear_id) references gear (barn_id, gear_id),
    constraint fitting_maker foreign key (barn_id, fitted_by) references person (barn_id, person_id),
    constraint fitting_object check (jsonb_typeof(fitting) = 'object')
);
call protect('fitting');
-- A horse wears one headgear.
create unique index fitting_one_on_the_head on fitting (barn_id, horse_id) where worn and on_head;
