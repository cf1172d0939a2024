-- The piece of the barn's tack a ride was ridden in.
alter table ride_rig add column gear_id uuid;
alter table ride_rig add constraint ride_rig_gear foreign key (barn_id, gear_id) references gear (barn_id, gear_id);
