import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { PageFrame } from '../../shell/PageFrame';
import { horsesQuery } from '../../data/horse';
import { ladderQuery } from '../../data/ladder';
import { dropRep, dropRide, putRepRight, putRideRight } from '../../outbox/attention';
import type { KeptDatabase, KeptRep, KeptRide } from '../../outbox/db';
import { useQueue } from '../../outbox/queue';
import { RefusedRep } from './RefusedRep';
import { RefusedRide } from './RefusedRide';

interface Refused {
  rides: KeptRide[];
  reps: KeptRep[];
  /** The rides of refused reps that are not refused themselves. */
  ridesOfReps: Map<string, KeptRide>;
}

/** What the barn did not take: with the reason, and a way to put it right or to drop it. */
export function AttentionPage() {
  const { db, storage, kick, tryRefusedAgain } = useQueue();
  const refused = useLiveQuery(() => (storage === 'ready' ? refusedOf(db) : null), [db, storage]);
  const [dropped, setDropped] = useState<(() => Promise<void>) | null>(null);
  const horses = useQuery(horsesQuery);
  const ladder = useQuery(ladderQuery);
  const nothing = refused && refused.rides.length + refused.reps.length === 0;

  const dropping = (drop: (dropped: boolean) => Promise<void>) => async () => {
    await drop(true);
    setDropped(() => async () => {
      await drop(false);
      setDropped(null);
    });
  };
  const mend = async (change: Promise<void>) => {
    await change;
    kick();
  };
  return (
    <PageFrame title="Needs attention">
      <Typography variant="h1">Needs attention</Typography>
      <Typography sx={{ mt: 1, maxWidth: 640 }}>
        {nothing
          ? 'Nothing right now. What you record sends itself.'
          : "The barn didn't take these. They are kept on this device until you put them right or drop them."}
      </Typography>
      {dropped && (
        <Box role="status" sx={{ display: 'flex', alignItems: 'center', gap: 2, mt: 2 }}>
          <Typography>Deleted.</Typography>
          <Button onClick={() => void dropped()} sx={{ minHeight: 48 }}>
            Undo
          </Button>
        </Box>
      )}
      {refused && !nothing && (
        <>
          <Button
            variant="contained"
            onClick={() => void tryRefusedAgain()}
            sx={{ mt: 2, minHeight: 56 }}
          >
            Send again
          </Button>
          <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, mt: 2, maxWidth: 760 }}>
            {refused.rides.map((ride) => (
              <RefusedRide
                key={ride.rideId}
                ride={ride}
                asks={refused.reps.filter((rep) => rep.rideId === ride.rideId).length}
                horses={horses.data ?? []}
                onChange={(change) => void mend(putRideRight(db, ride.rideId, change))}
                onDrop={() => void dropping((drop) => dropRide(db, ride.rideId, drop))()}
              />
            ))}
            {refused.reps
              .filter((rep) => !refused.rides.some((ride) => ride.rideId === rep.rideId))
              .map((rep) => (
                <RefusedRep
                  key={rep.repId}
                  rep={rep}
                  ride={refused.ridesOfReps.get(rep.rideId)}
                  levels={ladder.data?.levels.map(({ level }) => level) ?? []}
                  onLevel={(level) => void mend(putRepRight(db, rep.repId, level))}
                  onDrop={() => void dropping((drop) => dropRep(db, rep.repId, drop))()}
                />
              ))}
          </Box>
        </>
      )}
    </PageFrame>
  );
}

async function refusedOf(db: KeptDatabase): Promise<Refused> {
  const rides = await db.rides.where('state').equals('refused').toArray();
  const reps = await db.reps.where('state').equals('refused').toArray();
  const ofReps = await db.rides.bulkGet([...new Set(reps.map((rep) => rep.rideId))]);
  const known = ofReps.filter((ride) => ride !== undefined);
  return { rides, reps, ridesOfReps: new Map(known.map((ride) => [ride.rideId, ride])) };
}
