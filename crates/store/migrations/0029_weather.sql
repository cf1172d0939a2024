-- Heat by the hour: what a weather service or a file said of each hour where the barn is.
create table weather_hour
(
    barn_id       uuid             not null references barn,
    at            timestamptz      not null,
    temperature_f double precision not null,
    humidity_pct  double precision not null,
    read_at       timestamptz      not null,
    constraint weather_hour_pk primary key (barn_id, at),
    constraint weather_hour_is_whole check (extract(minute from at at time zone 'UTC') in (0, 15, 30, 45)
        and extract(second from at) = 0),
    constraint weather_hour_temperature_sane check (temperature_f between -60 and 140),
    constraint weather_hour_humidity_sane check (humidity_pct between 0 and 100)
);
comment on column weather_hour.at is 'begin of the hour; quarters for time zones that lie between hours';
call protect('weather_hour');
