import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useLiveQuery } from 'dexie-react-hooks';
import type { JudgedHere } from '../../offline/pack';
import { useJudgedHere } from '../../offline/useJudgedHere';
import { ReinStrip } from '../../draw/ReinStrip';
import { useQueue } from '../../outbox/queue';
import { drawnKept } from '../recorder/LiveRein';
import { longDay } from '../../base/words/days';
import { count } from '../../base/words/plain';
import { Changed } from './AfterRide';
import { RepTable } from './RepTable';

/** The first asks of a day and side, as the core found them. */
const firstAsksOf = (levels: JudgedHere[]) =>
  new Set(
    levels.flatMap(({ judgement }) =>
      judgement.gate.sides.flatMap((side) => side.first_asks.map(({ rep_id }) => rep_id)),
    ),
  );

/** A ride as this device has it, until all of it has gone out; its end may be all that waits. */
export function OnlyHere({ rideId, waiting }: { rideId: string; waiting: number }) {
  const { db, state, why } = useQueue();
  const reps = useLiveQuery(
    () => db.reps.where('rideId').equals(rideId).sortBy('askedAfterMs'),
    [db, rideId],
  );
  const ride = useLiveQuery(() => db.rides.get(rideId), [db, rideId]);
  const judged = useJudgedHere(ride?.horseId, rideId);
  const asked = (reps ?? []).filter((rep) => !rep.undone);
  const here = judged.now.filter(({ level }) =>
    asked.some((rep) => rep.skill === level.skill && rep.rung === level.rung),
  );
  const firsts = firstAsksOf(here);
  const saved =
    waiting > 0 ? `${count(waiting, 'ask')} saved here` : "The ride's end is saved here";
  const own = drawnKept(asked).map((rep) => ({ ...rep, firstAsk: firsts.has(rep.repId) }));
  return (
    <>
      <Typography variant="h1">Kept on this device</Typography>
      {ride && (
        <Typography sx={{ color: 'text.secondary' }}>
          {ride.horseName}, {longDay(ride.day)}
        </Typography>
      )}
      <Typography role="status" sx={{ my: 2, maxWidth: 520 }}>
        {state === 'no signal' && `No signal. ${saved}. It sends when there's signal again.`}
        {state === 'not taken' && `${saved}. It couldn't be sent: ${why}`}
        {(state === 'signed out' || state === 'another person') &&
          `${saved}. Sign in again to send it.`}
        {state === 'update' && `${saved}. There's a newer Cavesson: reload to update.`}
        {(state === 'at rest' || state === 'sending') && 'Sending.'}
      </Typography>
      {here.map(({ level, name, judgement }) => (
        <Box component="section" key={name} aria-label={name} sx={{ mb: 3 }}>
          <Typography sx={{ color: 'text.secondary' }}>{name}</Typography>
          <Changed
            judgement={judgement}
            before={judged.before.find(({ name: other }) => other === name)?.judgement}
            level={{ horseId: ride?.horseId ?? '', ...level }}
          />
        </Box>
      ))}
      <ReinStrip reps={own} width={300} />
      <RepTable reps={own} picked={null} />
    </>
  );
}
