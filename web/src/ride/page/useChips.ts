import { useLiveQuery } from 'dexie-react-hooks';
import type { Schemas } from '../../base/api/client';
import { keepChips, type Chips } from '../../outbox/keep';
import { useQueue } from '../../outbox/queue';
import { knownRide } from './knownRide';
import { toggled } from './toggled';

type Ride = Schemas['Ride'];

/** What was said of a ride after it, and saying it; kept on the device until it is sent. */
export function useChips(ride: Ride) {
  const { db, kick } = useQueue();
  const kept = useLiveQuery(() => db.rides.get(ride.ride_id), [db, ride.ride_id]);
  const marks = kept?.marks ?? ride.marks;
  const faults = kept?.faults ?? faultsOf(ride);
  const keep = async (chips: Chips) => {
    await keepChips(db, knownRide(ride), chips);
    kick();
  };
  return {
    marks,
    faults,
    ended: kept?.ended ?? ride.ended,
    mood: kept?.mood ?? ride.mood,
    exertion: kept?.exertion ?? ride.exertion,
    note: kept?.note ?? ride.note,
    say: (said: Pick<Chips, 'ended' | 'mood' | 'exertion' | 'note'>) => keep(said),
    toggleMark: (mark: Schemas['RideMark']) => keep({ marks: toggled(marks, mark) }),
    toggleFault: (chip: Schemas['BlockFault']) => keep({ faults: toggled(faults, chip) }),
  };
}

/** All faults seen in parts of a ride, as the server has them. */
const faultsOf = (ride: Ride): Schemas['BlockFault'][] =>
  ride.blocks.flatMap(({ level, faults }) =>
    faults.map((fault) => ({ skill: level.skill, rung: level.rung, fault })),
  );
