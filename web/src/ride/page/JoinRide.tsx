import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { useNavigate } from 'react-router';
import { answer, client } from '../../base/api/client';
import { cardPath } from '../../data/card';
import { join } from '../../outbox/keep';
import { useQueue } from '../../outbox/queue';
import { ridePath } from '../../data/ridePath';
import { knownRide } from './knownRide';

/** One tap to go along on a ride that another device began. */
export function JoinRide({ rideId, horseName }: { rideId: string; horseName: string }) {
  const { db, storage } = useQueue();
  const navigate = useNavigate();
  const here = useLiveQuery(
    async () => (storage === 'ready' ? ((await db.rides.get(rideId)) ?? 'elsewhere') : undefined),
    [db, rideId, storage],
  );
  const joining = useMutation({
    mutationFn: async () => {
      const ride = await answer(
        client.GET('/api/rides/{ride_id}', { params: { path: { ride_id: rideId } } }),
      );
      await join(db, knownRide(ride), Date.now() - Date.parse(ride.started_at));
      const last = ride.blocks.at(-1)?.level;
      const horseId = ride.horse.horse_id;
      await navigate(last ? ridePath(horseId, last) : cardPath(horseId));
    },
  });
  if (here !== 'elsewhere') return null;
  return (
    <Button
      disabled={joining.isPending}
      onClick={() => joining.mutate()}
      aria-label={`Join the ride on ${horseName}`}
      sx={{ minHeight: 56, ml: 1.5 }}
    >
      {joining.isError ? 'Try again' : 'Join'}
    </Button>
  );
}
