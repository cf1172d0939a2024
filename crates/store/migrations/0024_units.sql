-- The units the barn's pages speak in.
alter table barn add column units text not null default 'us';
alter table barn add constraint barn_units_known check (units in ('us', 'metric'));
