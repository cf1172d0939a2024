import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { useWho } from '../data/who';
import { clockIn } from '../base/words/days';
import type { KeptDatabase, KeptRide } from './db';
import { finish, goesOnForMs, openRides } from './keep';
import { useQueue } from './queue';
import { ridePath } from '../data/ridePath';

/** A ride left open is offered on every page until it is finished, also after midnight. */
export function RidingNow() {
  const { db, storage, kick } = useQueue();
  const open = useLiveQuery(() => (storage === 'ready' ? ridden(db) : []), [db, storage]) ?? [];
  if (open.length === 0) return null;
  const end = async (rideId: string) => {
    await finish(db, rideId);
    kick();
  };
  return (
    <Box component="section" aria-label="Riding now" sx={{ '@media print': { display: 'none' } }}>
      {open.map(({ ride, path }) => (
        <Box
          key={ride.rideId}
          sx={{
            display: 'flex',
            alignItems: 'center',
            gap: 1,
            px: { xs: 2, md: 4 },
            py: 0.5,
            borderBottom: '2px solid',
            borderColor: 'text.primary',
            bgcolor: 'background.paper',
          }}
        >
          <Typography sx={{ flex: 1, minWidth: 0, lineHeight: 1.25 }}>
            <strong>{ride.horseName ? `Riding ${ride.horseName}` : 'A ride is open'}</strong>,{' '}
            <Since ride={ride} />
          </Typography>
          {path && (
            <Button component={Link} to={path} variant="contained" sx={{ minHeight: 56 }}>
              Continue
            </Button>
          )}
          <Button onClick={() => void end(ride.rideId)} sx={{ minHeight: 56 }}>
            Finish
          </Button>
        </Box>
      ))}
    </Box>
  );
}

/** Minutes while it goes on; when it began, once that is long ago. */
function Since({ ride }: { ride: KeptRide }) {
  const { time_zone } = useWho();
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const every = setInterval(() => setNow(Date.now()), 15_000);
    return () => clearInterval(every);
  }, []);
  const away = now - ride.lastWall;
  // A minute tells a clock that was set back from one that is read a moment late.
  if (away > goesOnForMs || away < -60_000) return <>since {clockIn(time_zone, ride.startedAt)}</>;
  return <>{Math.max(1, Math.round((ride.lastMs + Math.max(0, away)) / 60_000))} min</>;
}

interface Ridden {
  ride: KeptRide;
  /** Where its recorder goes on; none once it is too long ago. */
  path: string | null;
}

async function ridden(db: KeptDatabase): Promise<Ridden[]> {
  const rides = await openRides(db);
  return Promise.all(
    rides.map(async (ride) => {
      const reps = await db.reps.where('rideId').equals(ride.rideId).sortBy('askedAfterMs');
      const blocks = await db.blocks.where('rideId').equals(ride.rideId).sortBy('position');
      const at = reps.at(-1) ?? blocks.at(-1);
      const goesOn = at && Math.abs(Date.now() - ride.lastWall) < goesOnForMs;
      const path = goesOn ? ridePath(ride.horseId, at) : null;
      return { ride, path };
    }),
  );
}
