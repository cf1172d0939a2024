insert into rep (barn_id, rep_id, ride_id, horse_id, skill, gait, side, asked_at, measure, undone_at, recorded_by)
select $1, rep_id, ride_id, horse_id, skill, gait, side, asked_at, measure,
       case when undone then now() end, $11
from unnest($2::uuid[], $3::uuid[], $4::uuid[], $5::text[], $6::text[], $7::text[],
            $8::timestamptz[], $9::jsonb[], $10::boolean[])
    as sent (rep_id, ride_id, horse_id, skill, gait, side, asked_at, measure, undone)
on conflict (barn_id, rep_id) do update
    set undone_at = coalesce(rep.undone_at, excluded.undone_at)
    where rep.ride_id = excluded.ride_id
      and rep.skill = excluded.skill
      and rep.gait = excluded.gait
      and rep.side = excluded.side
      and rep.asked_at = excluded.asked_at
      and rep.measure = excluded.measure
returning rep_id
