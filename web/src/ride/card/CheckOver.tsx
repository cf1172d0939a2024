import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { QuietOverTime } from '../../draw/QuietOverTime';
import { Tip } from '../../help/Tip';
import { useNow } from '../../shell/useNow';
import { useQueue } from '../../outbox/queue';
import { toSendAgain } from '../../outbox/keep';
import type { KeptDatabase, KeptRide } from '../../outbox/db';
import type { useCard } from '../../offline/useCard';

type Made = ReturnType<typeof useCard>;

/** Two taps: led out, and quiet. The minutes between are kept with the ride. */
export function CheckOver({ made: { kept, id, wanted, pack } }: { made: Made }) {
  const { db, kick } = useQueue();
  const now = useNow(kept?.ledOutAt !== undefined);
  const ledOut = kept?.ledOutAt ? Date.parse(kept.ledOutAt) : undefined;
  const sx = { minHeight: 64, minWidth: 150, fontSize: '1.15rem' };
  const out = () => db.cards.put({ wanted, ...kept, id, ledOutAt: new Date().toISOString() });
  const quiet = async () => {
    if (ledOut === undefined) return;
    await keepQuiet(db, id, Math.max(0, Date.now() - ledOut) / 60_000);
    kick();
  };
  const minutes = wanted.quiet_today_min;
  return (
    <Box
      sx={{
        display: 'flex',
        gap: 1.5,
        flexWrap: 'wrap',
        alignItems: 'center',
        my: 0.5,
        '@media print': { display: 'none' },
      }}
    >
      {ledOut === undefined ? (
        <Button onClick={() => void out()} sx={sx}>
          {minutes === undefined ? 'Led out' : 'Again'}
        </Button>
      ) : (
        <Button variant="contained" onClick={() => void quiet()} sx={sx}>
          Quiet now
        </Button>
      )}
      <Typography role="status" sx={{ fontWeight: 700 }}>
        {ledOut !== undefined && `${Math.floor(Math.max(0, now - ledOut) / 60_000)} min so far`}
        {ledOut === undefined && minutes !== undefined && `Quiet after ${Math.round(minutes)} min`}
      </Typography>
      <QuietOverTime minutes={pack.data?.day.quiet_min ?? []} today={minutes} />
      <Tip of="quiet" />
    </Box>
  );
}

/** "Quiet now" that was forgotten until the evening is no longer than a ride may say. */
const mostMin = 600;

/** Kept with the card, and with the ride if one goes on already. */
async function keepQuiet(db: KeptDatabase, id: string, since: number): Promise<void> {
  await db.transaction('rw', db.cards, db.rides, async () => {
    const known = await db.cards.get(id);
    if (!known) return;
    const minutes = Math.min(since, mostMin);
    const card = { ...known, wanted: { ...known.wanted, quiet_today_min: minutes } };
    delete card.ledOutAt;
    await db.cards.put(card);
    const [horseId = '', day = ''] = id.split(' ');
    await db.rides
      .filter(
        (ride) => ride.horseId === horseId && ride.day === day && ride.finishedAfterMs === null,
      )
      .modify(toSendAgain<KeptRide>({ quietAfterS: Math.round(minutes * 60) }));
  });
}
