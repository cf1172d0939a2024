-- Of the trips a horse makes, the share on which nothing is to be asked.
alter table barn
    add column quiet_outings_pct integer not null default 25,
    add constraint barn_quiet_outings_sane check (quiet_outings_pct between 0 and 100);
