insert into ride (barn_id, ride_id, horse_id, rider_id, day, started_at, device_started_at,
                  finished_at, opened_again, marks, note, quiet_after_s, ended, mood, intake, present, exertion, from_tape)
values ($1, $2, $3, $4, $5, $6, $7, $6::timestamptz + $8::float8 * interval '1 millisecond', $9,
        coalesce($10, '{}'::text[]), coalesce($11, ''), $12, $13, $14, $15, $16, $17, $18)
on conflict (barn_id, ride_id) do update
    -- The latest word on whether it is over is that of whoever opened it last; of two
    -- alike, the later finish.
    set finished_at  = case
                           when $9 > ride.opened_again then ride.started_at + $8::float8 * interval '1 millisecond'
                           when $9 = ride.opened_again
                               then greatest(ride.finished_at, ride.started_at + $8::float8 * interval '1 millisecond')
                           else ride.finished_at end,
        opened_again = greatest(ride.opened_again, $9),
        marks        = coalesce($10, ride.marks),
        note         = coalesce($11, ride.note),
        quiet_after_s = coalesce($12, ride.quiet_after_s),
        ended        = coalesce($13, ride.ended),
        mood         = coalesce($14, ride.mood),
        intake       = coalesce($15, ride.intake),
        present      = coalesce($16, ride.present),
        exertion     = coalesce($17, ride.exertion)
    -- Of a ride that was put under another horse the device may know the one before.
    where (ride.horse_id = excluded.horse_id
           or exists (select from ride_horse_change c
                      where c.barn_id = ride.barn_id and c.ride_id = ride.ride_id
                        and c.from_horse = excluded.horse_id))
      and ride.device_started_at = excluded.device_started_at
