import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import type { KeptRep } from '../../outbox/db';
import { seconds } from '../../base/words/answers';
import { timeOf, type Measure } from '../../base/words/measures';
import { isBeingWritten } from './beingWritten';
import { useFaceClock } from '../../shell/faceClock';
import { elapsedS, type Hold, type Side } from './hold';
import type { HalfPointing } from './useHold';

interface Props {
  side: Side;
  /** What the half is called. */
  name: string;
  reps: KeptRep[];
  hold: Hold | null;
  hidden: boolean;
  ready: boolean;
  letGo: string;
  pointing: HalfPointing;
}

const heldBy: Record<Side, string> = {
  left: 'Left rein: press and hold when you take it, or hold F',
  right: 'Right rein: press and hold when you take it, or hold J',
  both: 'Both: press and hold, or hold B',
};

/** What is held for one side, with what was asked of it so far. */
export function Half({ side, name, reps, hold, hidden, ready, letGo, pointing }: Props) {
  const own = reps.filter((rep) => rep.side === side);
  const last = own.at(-1);
  const time = last && heldS(last.measure);
  return (
    <Box
      {...pointing}
      aria-disabled={!ready}
      data-zone={hold ? 'half' : undefined}
      data-testid={`half-${side}`}
      role="group"
      aria-label={heldBy[side]}
      sx={{
        flex: 1,
        display: hidden ? 'none' : 'flex',
        flexDirection: 'column',
        alignItems: { left: 'flex-start', right: 'flex-end', both: 'center' }[side],
        justifyContent: 'space-between',
        // On a wide screen the figures stand near the rein, where the eye is.
        py: 2,
        pl: { xs: 2, md: side === 'left' ? '22%' : 2 },
        pr: { xs: 2, md: side === 'right' ? '22%' : 2 },
        touchAction: 'none',
        cursor: ready ? 'pointer' : 'wait',
        opacity: ready ? 1 : 0.45,
        bgcolor: hold ? 'text.primary' : 'transparent',
        color: hold ? 'background.default' : 'text.primary',
      }}
    >
      <Typography component="span" variant="h2" sx={{ fontSize: { md: '2.6rem' } }}>
        {name}
      </Typography>
      {hold ? (
        <Running hold={hold} letGo={letGo} />
      ) : (
        <Box
          sx={{
            textAlign: { left: 'left', right: 'right', both: 'center' }[side],
            pointerEvents: 'none',
          }}
        >
          <Typography
            component="span"
            sx={{
              display: 'block',
              fontSize: { xs: '2.4rem', md: '5rem' },
              fontWeight: 700,
              lineHeight: 1,
            }}
          >
            {time == null ? '–' : seconds(time)}
          </Typography>
          <Typography component="span">{askedSoFar(own)}</Typography>
        </Box>
      )}
    </Box>
  );
}

/** How long an ask was held: until the give, or off the bridle. */
const heldS = (measure: Measure) =>
  measure.kind === 'stop' ? measure.off_bridle_s : timeOf(measure);

/** 4 asked, 3 soft; +1 while the device is still writing one: only what is kept is counted. */
export function askedSoFar(reps: KeptRep[]): string {
  const written = reps.filter((rep) => !isBeingWritten(rep));
  const more = reps.length > written.length ? ` +${reps.length - written.length}` : '';
  if (written.length === 0) return `not asked yet${more}`;
  const soft = written.filter((rep) => rep.soft).length;
  return `${written.length} asked${soft > 0 ? `, ${soft} soft` : ''}${more}`;
}

function Running({ hold, letGo }: { hold: Hold; letGo: string }) {
  const clock = useFaceClock();
  const [now, setNow] = useState(hold.pressedAt);
  useEffect(() => {
    let frame = requestAnimationFrame(function tick() {
      setNow(clock.now());
      frame = requestAnimationFrame(tick);
    });
    return () => cancelAnimationFrame(frame);
  }, [clock]);
  return (
    <Box
      sx={{
        pointerEvents: 'none',
        width: '100%',
        textAlign: hold.side === 'both' ? 'center' : undefined,
      }}
    >
      <Typography
        component="span"
        sx={{
          display: 'block',
          fontSize: { xs: 'min(4.2rem, 17vw)', md: '8rem' },
          fontWeight: 700,
          lineHeight: 1,
        }}
      >
        {elapsedS(hold, now).toFixed(1)}
      </Typography>
      <Typography component="span" sx={{ fontSize: '1.15rem' }}>
        {hold.zone === 'half' && letGo}
        {hold.zone === 'off' && 'let go: not an ask'}
        {hold.zone !== 'half' && hold.zone !== 'off' && 'let go there'}
      </Typography>
    </Box>
  );
}
