import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect } from 'react';
import { goesOnForMs } from '../../outbox/keep';
import { drawnToWords, relaxingWords, troubleWords } from '../../base/words/signs';
import { FaceButton } from '../../shell/FaceButton';
import { useFaceClock } from '../../shell/faceClock';
import type { Measure, Side } from './faces';
import { OneSide } from './OneSide';
import { answerKey } from './keys';
import { useKey } from './useKey';
import { useNow } from '../../shell/useNow';
import type { FaceRecorder } from './useRecorder';
import { useRunning } from './useRunning';

type Calm = Extract<Measure, { kind: 'calm' }>;

interface Seen {
  since: number;
  signs: NonNullable<Calm['signs']>;
  trouble: NonNullable<Calm['trouble']>;
  drawnTo: string[];
}

const nothingSeen = (since: number): Seen => ({ since, signs: [], trouble: [], drawnTo: [] });

/** Minutes as they are recorded: to a tenth. */
const minutesSince = (since: number, now: number) =>
  Math.min(600, Math.max(0, Math.round((now - since) / 6_000) / 10));

const toggled = <T,>(all: T[], one: T) =>
  all.includes(one) ? all.filter((other) => other !== one) : [...all, one];

/** Calm, or not: the minutes run from where the face was opened; signs are chips. */
export function CalmFace({ recorder }: { recorder: FaceRecorder }) {
  const { wall } = useFaceClock();
  const [seen, setSeen] = useRunning(recorder.of, goesOnForMs, () => nothingSeen(wall()));
  // The minutes run from now on, also while the page is away.
  useEffect(() => setSeen(seen), []); // eslint-disable-line react-hooks/exhaustive-deps
  const now = useNow(true);
  const record = (side: Side, relaxed: boolean) => {
    const { signs, trouble, drawnTo, since } = seen;
    recorder.record(side, {
      kind: 'calm',
      minutes: minutesSince(since, wall()),
      relaxed,
      signs,
      trouble,
      drawn_to: drawnTo,
    });
    setSeen(nothingSeen(wall()));
  };
  return (
    <Box
      sx={{
        flex: 1,
        minHeight: 0,
        display: 'flex',
        flexDirection: 'column',
        borderTop: '3px solid',
        borderBottom: '3px solid',
      }}
    >
      <Box sx={{ display: 'flex', flex: '0 0 34%' }}>
        {recorder.sides.map((side) => (
          <Relaxed key={side} side={side} recorder={recorder} onAnswer={record} />
        ))}
      </Box>
      <Box sx={{ flex: 1, minHeight: 0, overflowY: 'auto', p: 1 }}>
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
          <Typography role="timer" sx={{ flex: 1 }}>
            {minutesSince(seen.since, now).toFixed(1)} min so far
          </Typography>
          <FaceButton onTap={() => setSeen({ ...seen, since: wall() })}>From now</FaceButton>
        </Box>
        <Chips
          name="Signs of relaxing"
          words={relaxingWords}
          chosen={seen.signs}
          onTap={(sign) => setSeen({ ...seen, signs: toggled(seen.signs, sign) })}
        />
        <Chips
          name="Signs of trouble"
          words={troubleWords}
          chosen={seen.trouble}
          onTap={(sign) => setSeen({ ...seen, trouble: toggled(seen.trouble, sign) })}
        />
        <Chips
          name="Drawn to"
          words={drawnToWords}
          chosen={seen.drawnTo}
          onTap={(spot) => setSeen({ ...seen, drawnTo: toggled(seen.drawnTo, spot) })}
        />
      </Box>
    </Box>
  );
}

interface RelaxedProps {
  side: Side;
  recorder: FaceRecorder;
  onAnswer: (side: Side, relaxed: boolean) => void;
}

function Relaxed({ side, recorder, onAnswer }: RelaxedProps) {
  const ready = recorder.storage === 'ready';
  const [yes, no] = [answerKey(side, 0), answerKey(side, 1)];
  useKey(yes ?? '', () => ready && onAnswer(side, true));
  useKey(no ?? '', () => ready && onAnswer(side, false));
  return (
    <OneSide side={side} reps={recorder.reps} rows="auto 3fr 2fr">
      <FaceButton large disabled={!ready} onTap={() => onAnswer(side, true)} keyed={yes}>
        Relaxed through
      </FaceButton>
      <FaceButton disabled={!ready} onTap={() => onAnswer(side, false)} keyed={no}>
        Not relaxed
      </FaceButton>
    </OneSide>
  );
}

interface ChipsProps<T extends string> {
  name: string;
  words: Record<T, string>;
  chosen: T[];
  onTap: (one: T) => void;
}

function Chips<T extends string>({ name, words, chosen, onTap }: ChipsProps<T>) {
  return (
    <Box role="group" aria-label={name} sx={{ mt: 1 }}>
      <Typography sx={{ fontWeight: 700 }}>{name}</Typography>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(104px, 1fr))',
          gap: 0.5,
        }}
      >
        {(Object.entries(words) as [T, string][]).map(([one, label]) => (
          <FaceButton key={one} pressed={chosen.includes(one)} onTap={() => onTap(one)}>
            {label}
          </FaceButton>
        ))}
      </Box>
    </Box>
  );
}
