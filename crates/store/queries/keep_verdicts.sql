insert into kept_verdict (barn_id, horse_id, skill, rung, known_version, day, verdict, state,
                          ladder_version, program_id, program_version)
select $1, $2, said.skill, said.rung, $3, $4, said.verdict, said.state, $5, $6, $7
from unnest($8::text[], $9::text[], $10::text[], $11::text[]) as said (skill, rung, verdict, state)
left join lateral (
    select verdict, state
    from kept_verdict k
    where k.barn_id = $1 and k.horse_id = $2 and k.skill = said.skill and k.rung = said.rung
      and k.day <= $4
    order by k.day desc, k.known_version desc
    limit 1
) before on true
where before.verdict is distinct from said.verdict or before.state is distinct from said.state
on conflict (barn_id, horse_id, skill, rung, day, known_version) do nothing
