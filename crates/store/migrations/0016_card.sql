-- Traits of a horse steer its card; words this version does not know are kept and left out.
alter table horse add column traits text[] not null default '{}';

-- Seconds the horse was led and moved about until it was quiet, before mounting.
alter table ride add column quiet_after_s double precision;
alter table ride add constraint ride_quiet_sane check (quiet_after_s between 0 and 36000);
