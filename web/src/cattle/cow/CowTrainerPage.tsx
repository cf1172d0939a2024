import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { PageFrame } from '../../shell/PageFrame';
import { useWho } from '../../data/who';
import { CowLeaders } from './CowLeaders';
import { CowPen } from './CowPen';
import { CowSaid } from './CowSaid';
import { useKeepRound, type BestRound, type CowRound, type Steered } from '../../data/cowRounds';
import { useCowRound } from './useCowRound';

type Level = CowRound['level'];

const levels: [Level, string][] = [
  ['easy', 'Slow cow'],
  ['middling', 'One that tries'],
  ['hard', 'Quick cow'],
];

const freshRound = (level: Level, stale: boolean): CowRound => ({
  seed: Math.floor(Math.random() * 2 ** 32),
  level,
  stale,
});

/** A cow to practise on, a minute at a time: for the rider, not the horse. */
export function CowTrainerPage() {
  const { records } = useWho();
  const [level, setLevel] = useState<Level>('easy');
  const [stale, setStale] = useState(false);
  const [shown, setShown] = useState(true);
  const [last, setLast] = useState<{ round: CowRound; steered: Steered[] } | null>(null);
  const keep = useKeepRound();
  const cow = useCowRound((round, steered) => {
    setLast({ round, steered });
    if (records) keep.mutate({ roundId: uuidv7(), round, steered });
  });
  const goes = cow.state === 'ridden' || cow.state === 'again';
  const ride = () => {
    keep.reset();
    cow.begin(freshRound(level, stale));
  };
  const seeAgain = ({ round, steered }: Pick<BestRound, 'round' | 'steered'>) =>
    cow.begin(round, steered);
  return (
    <PageFrame title="Cow trainer">
      <Typography variant="h1">Cow trainer</Typography>
      <Typography sx={{ maxWidth: 720, mt: 0.5, mb: 2 }}>
        Keep the cow from the herd below for a minute. Behind its shoulder you move it on, in front
        you turn it, level with its eye it stands. Too deep and it bolts past; too far and it pays
        no heed.
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gap: 3,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 3fr) minmax(280px, 2fr)' },
        }}
      >
        <CowPen
          seen={cow.seen}
          shown={shown}
          ridden={cow.state === 'ridden'}
          onSteer={cow.setSteer}
        />
        <Box sx={{ display: 'grid', gap: 2, alignContent: 'start' }}>
          <Choice name="Cow" of={levels} value={level} onPick={setLevel} disabled={goes} />
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 0.5 }}>
            <Toggle on={stale} disabled={goes} onTap={() => setStale(!stale)}>
              Stale cow
            </Toggle>
            <Toggle on={shown} onTap={() => setShown(!shown)}>
              Show its zone
            </Toggle>
          </Box>
          <Button
            variant="contained"
            onClick={goes ? cow.stop : ride}
            sx={{ minHeight: 72, fontSize: '1.2rem' }}
          >
            {goes ? 'Stop' : 'Ride a minute'}
          </Button>
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            Arrow keys or W A S D; or hold a finger where the horse is to go.
          </Typography>
          {cow.wrong && (
            <Typography role="alert" sx={{ color: 'error.main' }}>
              {cow.wrong}
            </Typography>
          )}
          <CowSaid seen={cow.seen} state={cow.state} kept={said(keep)} />
          {cow.state === 'over' && last && (
            <Button onClick={() => seeAgain(last)} sx={{ minHeight: 56 }}>
              See it again
            </Button>
          )}
          {records && <CowLeaders level={level} stale={stale} disabled={goes} onSee={seeAgain} />}
        </Box>
      </Box>
    </PageFrame>
  );
}

function said(keep: ReturnType<typeof useKeepRound>): string | null {
  if (keep.isPending) return 'Being kept.';
  if (keep.isError) return keep.error.message;
  return keep.isSuccess ? 'Kept.' : null;
}

interface ChoiceProps {
  name: string;
  of: [Level, string][];
  value: Level;
  onPick: (level: Level) => void;
  disabled: boolean;
}

function Choice({ name, of, value, onPick, disabled }: ChoiceProps) {
  return (
    <Box
      role="group"
      aria-label={name}
      sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', gap: 0.5 }}
    >
      {of.map(([one, words]) => (
        <Toggle key={one} on={one === value} disabled={disabled} onTap={() => onPick(one)}>
          {words}
        </Toggle>
      ))}
    </Box>
  );
}

interface ToggleProps {
  on: boolean;
  disabled?: boolean;
  onTap: () => void;
  children: string;
}

function Toggle({ on, disabled, onTap, children }: ToggleProps) {
  return (
    <Button
      aria-pressed={on}
      variant={on ? 'contained' : 'outlined'}
      disabled={disabled}
      onClick={onTap}
      sx={{ minHeight: 56, lineHeight: 1.2 }}
    >
      {children}
    </Button>
  );
}
