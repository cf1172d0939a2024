import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useRef } from 'react';
import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../base/api/client';
import { useSoft } from '../../offline/useSoft';
import { ladderQuery } from '../../data/ladder';
import type { KeptDatabase, KeptRep } from '../../outbox/db';
import { finish, goingRide } from '../../outbox/keep';
import { useQueue } from '../../outbox/queue';
import { give, hand } from '../../ride/recorder/faces/give';
import type { Side } from '../../ride/recorder/faces';
import { Half } from '../../ride/recorder/Half';
import { HoldZones } from '../../ride/recorder/HoldZones';
import { useAsking } from '../../ride/recorder/useAsking';
import { useHold } from '../../ride/recorder/useHold';

interface Props {
  horse: Schemas['Horse'];
  onClose: () => void;
}

const sides: Side[] = ['left', 'right'];
const set = { hand: hand.usual };
const none: KeptRep[] = [];

/** A few bends left and right in passing: a horse that stands tied learns too. Each hold is an ask. */
export function TiedAsks({ horse, onClose }: Props) {
  const small = useMediaQuery('(max-width: 700px)');
  const { db, storage, kick } = useQueue();
  const ladder = useQuery(ladderQuery);
  const at = ladder.data?.levels.find(({ level }) => level.roles.includes('tied_ask'));
  const { skill = '', rung = '', name: levelName = '' } = at?.level ?? {};
  const reps =
    useLiveQuery(() => asked(db, horse.horse_id, skill), [db, horse.horse_id, skill]) ?? none;
  useSoft(db, reps, at);
  const wasRiding = useWasRiding(db, horse.horse_id);
  const { holding } = useAsking({
    horse: { horseId: horse.horse_id, horseName: horse.name },
    level: { skill, rung, levelName },
    face: give,
    set,
    onAsked: () => undefined,
  });
  const ready = storage === 'ready' && at !== undefined;
  const { hold, half } = useHold(holding, give.zones, sides, ready);
  const close = async () => {
    const ride = await goingRide(db, horse.horse_id);
    // What began for these asks alone is over with them.
    if (ride && wasRiding.current === false) await finish(db, ride.rideId);
    kick();
    onClose();
  };
  return (
    <Dialog open onClose={() => void close()} fullScreen={small} fullWidth maxWidth="sm">
      <DialogTitle>{horse.name}, tied: bend to one rein</DialogTitle>
      <Box
        sx={{
          flex: 1,
          minHeight: 320,
          display: 'flex',
          borderTop: '3px solid',
          borderBottom: '3px solid',
          userSelect: 'none',
        }}
      >
        {sides.map((side) => (
          <Box key={side} sx={{ flex: 1, display: 'flex', position: 'relative', minWidth: 0 }}>
            {hold && hold.side !== side && <HoldZones zones={give.zones} zone={hold.zone} />}
            <Half
              side={side}
              name={side === 'left' ? 'Left' : 'Right'}
              reps={reps}
              hold={hold?.side === side ? hold : null}
              hidden={hold !== null && hold.side !== side}
              ready={ready}
              letGo={give.letGo}
              pointing={half(side)}
            />
          </Box>
        ))}
      </Box>
      <Box sx={{ p: 1.5, display: 'flex', alignItems: 'center', gap: 1.5 }}>
        <Typography sx={{ flex: 1 }}>
          Hold a half when you take that rein. A few are enough.
        </Typography>
        <Button
          variant="contained"
          onClick={() => void close()}
          sx={{ minHeight: 60, minWidth: 110 }}
        >
          Done
        </Button>
      </Box>
    </Dialog>
  );
}

/** Whether a ride of the horse went on before; it then goes on after, too. */
function useWasRiding(db: KeptDatabase, horseId: string) {
  const was = useRef<boolean | undefined>(undefined);
  useEffect(() => {
    void goingRide(db, horseId).then((ride) => {
      was.current ??= ride !== undefined;
    });
  }, [db, horseId]);
  return was;
}

/** The bends of the ride that goes on. */
async function asked(db: KeptDatabase, horseId: string, tied: string): Promise<KeptRep[]> {
  const ride = await goingRide(db, horseId);
  if (!ride) return [];
  const reps = await db.reps.where('rideId').equals(ride.rideId).toArray();
  return reps
    .filter(({ skill, undone }) => skill === tied && !undone)
    .sort((a, b) => a.askedAfterMs - b.askedAfterMs);
}
