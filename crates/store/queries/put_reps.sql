insert into rep (barn_id, rep_id, ride_id, block_id, horse_id, skill, rung, side, sequence, asked_after_ms,
                 asked_at, device_asked_at, measure, measure_form, faults, undone_at, changes, recorded_by, known_version,
                 import_id)
select $1, rep_id, ride_id, block_id, sent.horse_id, skill, rung, side, sequence, asked_after_ms,
       asked_at, device_asked_at, measure, $17,
       array(select jsonb_array_elements_text(faults)), case when undone then now() end, changes, $16,
       horse.known_version, $19
from unnest($2::uuid[], $3::uuid[], $4::uuid[], $5::uuid[], $6::text[], $7::text[], $8::text[], $9::integer[],
            $10::integer[], $11::timestamptz[], $12::timestamptz[], $13::jsonb[], $14::jsonb[], $15::boolean[],
            $18::integer[])
    as sent (rep_id, ride_id, block_id, horse_id, skill, rung, side, sequence, asked_after_ms, asked_at,
             device_asked_at, measure, faults, undone, changes)
join horse on horse.barn_id = $1 and horse.horse_id = sent.horse_id
on conflict (barn_id, rep_id) do update
    -- The latest word on whether it stands is that after most changes; of two alike,
    -- that it was taken back.
    set undone_at     = case
                            when excluded.changes > rep.changes then excluded.undone_at
                            when excluded.changes = rep.changes then coalesce(rep.undone_at, excluded.undone_at)
                            else rep.undone_at end,
        changes       = greatest(rep.changes, excluded.changes),
        known_version = case
                            when excluded.changes > rep.changes
                                and (rep.undone_at is null) <> (excluded.undone_at is null)
                                or excluded.changes = rep.changes
                                    and rep.undone_at is null and excluded.undone_at is not null
                                then excluded.known_version
                            else rep.known_version end
    where rep.ride_id = excluded.ride_id
      and rep.block_id = excluded.block_id
      and rep.skill = excluded.skill
      and rep.rung = excluded.rung
      and rep.side = excluded.side
      and rep.sequence = excluded.sequence
      and rep.asked_after_ms = excluded.asked_after_ms
      and rep.measure = excluded.measure
      and rep.faults = excluded.faults
returning rep_id
