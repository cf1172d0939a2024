import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { lazy, Suspense, useState } from 'react';
import { cardId } from '../../outbox/card';
import { horseAsks, setShare, takeAskBack } from '../../outbox/share';
import { useQueue } from '../../outbox/queue';
import { useWho } from '../../data/who';
import { twoReinQuery } from '../../data/tackOfHorse';
import { dayIn } from '../../base/words/days';
import type { Recorder } from './useRecorder';

const RibbonSoFar = lazy(async () => ({ default: (await import('./RibbonSoFar')).RibbonSoFar }));

const quarter = 25;
const within = (pct: number) => Math.min(100, Math.max(0, pct));

/** The share of bosal and bridle on the ride, and what the horse asks for. */
export function Ribbon({ recorder }: { recorder: Recorder }) {
  const { horseId, rideId, worn } = recorder;
  const { db, kick } = useQueue();
  const { time_zone } = useWho();
  const mount = { horseId, day: dayIn(time_zone) };
  const inTwoRein = worn.rig?.kind === 'two_rein';
  const ahead = useQuery({ ...twoReinQuery(horseId), enabled: inTwoRein });
  const kept = useLiveQuery(async () => {
    const ride = rideId ? await db.rides.get(rideId) : undefined;
    const card = await db.cards.get(cardId(mount));
    return { shares: ride?.shares ?? [], asked: ride?.horseAsked ?? [], card: card?.bosalPct };
  }, [db, rideId, mount.horseId, mount.day]);
  const [moving, setMoving] = useState<number>();
  const next = ahead.data?.next;
  const stands = kept?.shares.at(-1)?.bosal_pct ?? kept?.card ?? next?.bosal_pct ?? 90;
  const share = moving ?? stands;
  const put = async (pct: number) => {
    // The hand is quicker than the storage: what was set last here is what stands.
    setMoving(within(pct));
    await setShare(db, mount, within(pct));
    kick();
  };
  const asks = async (ask: 'for_bridle' | 'back') => {
    // What stood before the horse asked is part of the ride.
    if (inTwoRein && kept?.shares.length === 0) await setShare(db, mount, within(share));
    await horseAsks(db, horseId, ask);
    kick();
  };
  const undo = async () => {
    await takeAskBack(db, horseId);
    kick();
  };
  const standing = kept?.asked.filter(({ undone }) => !undone) ?? [];
  return (
    <Box
      role="group"
      aria-label={inTwoRein ? 'Bosal and bridle' : 'What the horse asks for'}
      sx={{ px: 1, py: 0.5, borderBottom: '1px solid', borderColor: 'text.primary' }}
    >
      {inTwoRein && (
        <>
          <Typography sx={{ fontSize: '1rem', fontWeight: 700, textAlign: 'center' }}>
            Bosal {share}%, bridle {100 - share}%
          </Typography>
          {!rideId && next && (
            <Typography sx={{ fontSize: '0.95rem', textAlign: 'center' }}>{next.says}</Typography>
          )}
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
            <Button
              aria-label="A quarter to the bosal"
              disabled={share >= 100}
              onClick={() => void put(share + quarter)}
              sx={quarterSx}
            >
              + Bosal
            </Button>
            <Box
              component="input"
              type="range"
              aria-label="Share of the bosal"
              aria-valuetext={`bosal ${share}%, bridle ${100 - share}%`}
              value={100 - share}
              min={0}
              max={100}
              step={5}
              onChange={({ target }) => void put(100 - Number(target.value))}
              sx={rangeSx}
            />
            <Button
              aria-label="A quarter to the bridle"
              disabled={share <= 0}
              onClick={() => void put(share - quarter)}
              sx={quarterSx}
            >
              + Bridle
            </Button>
          </Box>
          {rideId && kept && kept.shares.length > 0 && (
            <Suspense fallback={null}>
              <RibbonSoFar rideId={rideId} />
            </Suspense>
          )}
        </>
      )}
      <Box sx={{ display: 'flex', gap: 0.75 }}>
        <Button disabled={!rideId} onClick={() => void asks('for_bridle')} sx={askSx}>
          {inTwoRein ? 'Asks for the bridle' : 'Asks for a smaller one'}
        </Button>
        <Button disabled={!rideId} onClick={() => void asks('back')} sx={askSx}>
          Asks back
        </Button>
        <Button
          disabled={standing.length === 0}
          onClick={() => void undo()}
          sx={{ ...askSx, flex: '0 1 92px' }}
        >
          Undo {standing.length > 0 && `(${standing.length})`}
        </Button>
      </Box>
    </Box>
  );
}

const track = {
  height: 14,
  border: '2px solid',
  borderColor: 'text.primary',
  borderRadius: '7px',
  bgcolor: 'background.paper',
} as const;
const thumb = {
  appearance: 'none',
  width: 44,
  height: 44,
  border: 0,
  borderRadius: '50%',
  bgcolor: 'text.primary',
} as const;
const rangeSx = {
  appearance: 'none',
  flex: 1,
  minWidth: 0,
  height: 64,
  m: 0,
  bgcolor: 'transparent',
  '&::-webkit-slider-runnable-track': track,
  '&::-webkit-slider-thumb': { ...thumb, mt: '-17px' },
  '&::-moz-range-track': track,
  '&::-moz-range-thumb': thumb,
} as const;
const quarterSx = { minHeight: 72, minWidth: 84, px: 0.5, fontSize: '1rem' } as const;
const askSx = { flex: 1, minHeight: 72, px: 0.75, fontSize: '1rem', lineHeight: 1.15 } as const;
