insert into rep (barn_id, rep_id, ride_id, horse_id, skill, rung, side, asked_at, measure, faults, undone_at,
                 recorded_by, known_version)
select $1, rep_id, ride_id, sent.horse_id, skill, rung, side, asked_at, measure,
       array(select jsonb_array_elements_text(faults)), case when undone then now() end, $12, horse.known_version
from unnest($2::uuid[], $3::uuid[], $4::uuid[], $5::text[], $6::text[], $7::text[],
            $8::timestamptz[], $9::jsonb[], $10::jsonb[], $11::boolean[])
    as sent (rep_id, ride_id, horse_id, skill, rung, side, asked_at, measure, faults, undone)
join horse on horse.barn_id = $1 and horse.horse_id = sent.horse_id
on conflict (barn_id, rep_id) do update
    set undone_at     = coalesce(rep.undone_at, excluded.undone_at),
        known_version = case
                            when rep.undone_at is null and excluded.undone_at is not null
                                then excluded.known_version
                            else rep.known_version end
    where rep.ride_id = excluded.ride_id
      and rep.skill = excluded.skill
      and rep.rung = excluded.rung
      and rep.side = excluded.side
      and rep.asked_at = excluded.asked_at
      and rep.measure = excluded.measure
      and rep.faults = excluded.faults
returning rep_id
