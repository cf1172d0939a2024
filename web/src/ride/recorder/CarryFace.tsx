import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { goesOnForMs } from '../../outbox/keep';
import { sideWords } from '../../base/words/answers';
import { count } from '../../base/words/plain';
import { FaceButton } from '../../shell/FaceButton';
import { useFaceClock } from '../../shell/faceClock';
import { numberOf, type Side } from './faces';
import { askedSoFar } from './Half';
import { useKey } from './useKey';
import { useNow } from '../../shell/useNow';
import type { FaceRecorder } from './useRecorder';
import { useRunning } from './useRunning';

interface Carrying {
  side: Side;
  startedAt: number;
  leaves: number;
  /** When this face last saw it run. */
  seenAt: number;
}

/** Away for longer than that, nobody here saw how it went on. */
const awayMs = 10_000;
const noteEveryMs = 1_000;

const atRest = () => null;

/** Something carried: the clock runs until all that was asked is carried, or until it is ended. */
export function CarryFace({ recorder }: { recorder: FaceRecorder }) {
  const [running, setRunning, rest] = useRunning<Carrying | null>(recorder.of, goesOnForMs, atRest);
  const { wall } = useFaceClock();
  const now = useNow(running !== null);
  const asked = numberOf(recorder.set, 'asked');
  const carriedS = running ? Math.max(0, (now - running.startedAt) / 1000) : 0;
  const end = () => {
    if (!running) return;
    const carried = Math.min(asked, Math.round(((wall() - running.startedAt) / 1000) * 10) / 10);
    recorder.record(running.side, {
      kind: 'carry',
      unit: 'seconds',
      asked,
      carried,
      leaves: running.leaves,
    });
    rest();
  };
  const left = () => running && setRunning({ ...running, leaves: running.leaves + 1 });
  // The page was closed, or something else was open, while the clock ran: asked about.
  const [unseen, setUnseen] = useState(() => running !== null && wall() - running.seenAt > awayMs);
  const over = running !== null && !unseen && carriedS >= asked;
  useEffect(() => {
    if (over) end();
    // Once, when the time is reached.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [over]);
  // What is over is not noted again: that would set it running anew.
  const stands = running !== null && !unseen && !over;
  useEffect(() => {
    if (!stands || now - running.seenAt < noteEveryMs) return;
    setRunning({ ...running, seenAt: now });
  }, [stands, running, now, setRunning]);
  const forget = () => {
    setUnseen(false);
    rest();
  };
  useKey('l', left);
  useKey('e', end);
  return (
    <Box
      sx={{
        flex: 1,
        minHeight: 0,
        display: 'grid',
        gridTemplateRows: 'auto 1fr',
        borderTop: '3px solid',
        borderBottom: '3px solid',
      }}
    >
      <Typography sx={{ px: 1.5, py: 0.75 }}>{askedSoFar(recorder.reps)}</Typography>
      {running && unseen ? (
        <Unseen onWentOn={() => setUnseen(false)} onForget={forget} />
      ) : running ? (
        <Box sx={{ display: 'grid', gridTemplateRows: '2fr 3fr 2fr' }}>
          <Typography
            component="p"
            role="timer"
            sx={{
              display: 'grid',
              placeItems: 'center',
              fontSize: 'min(5rem, 20vw)',
              fontWeight: 700,
              lineHeight: 1,
              fontVariantNumeric: 'tabular-nums',
            }}
          >
            {carriedS.toFixed(1)} s
          </Typography>
          <FaceButton large onTap={left} keyed="l">
            Left it
            <Typography component="span" sx={{ display: 'block' }}>
              {running.leaves === 0 ? 'not yet' : count(running.leaves, 'time')}
            </Typography>
          </FaceButton>
          <FaceButton onTap={end} keyed="e">
            End it here
          </FaceButton>
        </Box>
      ) : (
        <Box sx={{ display: 'flex' }}>
          {recorder.sides.map((side) => (
            <Start key={side} side={side} recorder={recorder} onStart={setRunning} />
          ))}
        </Box>
      )}
    </Box>
  );
}

/** The clock ran on while nobody saw the horse here. */
function Unseen({ onWentOn, onForget }: { onWentOn: () => void; onForget: () => void }) {
  return (
    <Box
      role="alertdialog"
      aria-label="The clock ran on"
      sx={{ display: 'grid', alignContent: 'center', gap: 1, p: 1.5 }}
    >
      <Typography>The clock ran on while this was closed. What became of it?</Typography>
      <FaceButton onTap={onWentOn}>The horse carried on</FaceButton>
      <FaceButton onTap={onForget}>Not an ask</FaceButton>
    </Box>
  );
}

interface StartProps {
  side: Side;
  recorder: FaceRecorder;
  onStart: (carrying: Carrying) => void;
}

const startKeys: Record<Side, string> = { left: 'f', right: 'j', both: 'b' };

function Start({ side, recorder, onStart }: StartProps) {
  const { wall } = useFaceClock();
  const ready = recorder.storage === 'ready';
  const start = () => onStart({ side, startedAt: wall(), leaves: 0, seenAt: wall() });
  useKey(startKeys[side], () => ready && start());
  return (
    <Box sx={{ flex: 1, display: 'grid' }} data-testid={`half-${side}`}>
      <FaceButton large disabled={!ready} onTap={start} keyed={startKeys[side]}>
        {side === 'both' ? 'Start' : `Start ${sideWords[side].toLowerCase()}`}
      </FaceButton>
    </Box>
  );
}
