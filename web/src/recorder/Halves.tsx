import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { seconds, sideWords } from '../words/answers';
import { AnswerZones } from './AnswerZones';
import { elapsedS, type Hold, type Side } from './hold';
import { LiveRein } from './LiveRein';
import type { Recorder } from './useRecorder';

const sides: Side[] = ['left', 'right'];

/** Two half-screens: hold one when its rein is taken; the other becomes the answers. */
export function Halves({ recorder }: { recorder: Recorder }) {
  const { hold, reps } = recorder;
  return (
    <Box
      sx={{
        flex: 1,
        minHeight: 0,
        display: 'flex',
        position: 'relative',
        borderTop: '3px solid',
        borderBottom: '3px solid',
      }}
    >
      {sides.map((side) => (
        <Box key={side} sx={{ flex: 1, display: 'flex', position: 'relative', minWidth: 0 }}>
          {hold && hold.side !== side && <AnswerZones zone={hold.zone} />}
          <Half recorder={recorder} side={side} hidden={hold !== null && hold.side !== side} />
        </Box>
      ))}
      {!hold && <LiveRein reps={reps} longestSoftS={recorder.longestSoftS} />}
    </Box>
  );
}

function Half({ recorder, side, hidden }: { recorder: Recorder; side: Side; hidden: boolean }) {
  const hold = recorder.hold?.side === side ? recorder.hold : null;
  const own = recorder.reps.filter((rep) => rep.side === side);
  const last = own.at(-1);
  const ready = recorder.storage === 'ready';
  return (
    <Box
      {...recorder.half(side)}
      aria-disabled={!ready}
      data-zone={hold ? 'half' : undefined}
      data-testid={`half-${side}`}
      role="group"
      aria-label={`${sideWords[side]} rein: press and hold when you take it, or hold ${side === 'left' ? 'F' : 'J'}`}
      sx={{
        flex: 1,
        display: hidden ? 'none' : 'flex',
        flexDirection: 'column',
        alignItems: side === 'left' ? 'flex-start' : 'flex-end',
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
        {sideWords[side]}
      </Typography>
      {hold ? (
        <Running hold={hold} />
      ) : (
        <Box sx={{ textAlign: side === 'left' ? 'left' : 'right', pointerEvents: 'none' }}>
          <Typography
            component="span"
            sx={{
              display: 'block',
              fontSize: { xs: '2.4rem', md: '5rem' },
              fontWeight: 700,
              lineHeight: 1,
            }}
          >
            {last ? seconds(last.measure.time_s) : '–'}
          </Typography>
          <Typography component="span">
            {own.length === 0 ? 'not asked yet' : `${own.length} asked`}
            {own.some((rep) => rep.soft) && `, ${own.filter((rep) => rep.soft).length} soft`}
          </Typography>
        </Box>
      )}
    </Box>
  );
}

function Running({ hold }: { hold: Hold }) {
  const [now, setNow] = useState(hold.pressedAt);
  useEffect(() => {
    let frame = requestAnimationFrame(function tick() {
      setNow(performance.now());
      frame = requestAnimationFrame(tick);
    });
    return () => cancelAnimationFrame(frame);
  }, []);
  return (
    <Box sx={{ pointerEvents: 'none', width: '100%' }}>
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
        {hold.zone === 'half' && 'let go on the give'}
        {hold.zone === 'off' && 'let go: not an ask'}
        {hold.zone !== 'half' && hold.zone !== 'off' && 'let go there'}
      </Typography>
    </Box>
  );
}
