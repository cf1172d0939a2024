import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { FaceButton } from './FaceButton';
import { numberOf, type Measure } from './faces';
import { askedSoFar } from './Half';
import { useKey } from './useKey';
import { useNow } from './useNow';
import type { Recorder } from './useRecorder';
import { useRunning } from './useRunning';
import { lengthInWords } from '../words/units';

type Run = Extract<Measure, { kind: 'run' }>;

interface Barrel {
  /** Feet more (less below zero) than planned at the back of the barrel. */
  off: number;
  rate: number;
  wrongLead: boolean;
  shapeLost: boolean;
  tipped: boolean;
  steppedOff: boolean;
}

interface Running {
  startedAt: number | null;
  timeS: number | null;
  barrels: Barrel[];
}

const asPlanned: Barrel = {
  off: 0,
  rate: 1,
  wrongLead: false,
  shapeLost: false,
  tipped: false,
  steppedOff: false,
};

const fresh = (): Running => ({
  startedAt: null,
  timeS: null,
  barrels: [asPlanned, asPlanned, asPlanned],
});

/** A run is said soon after it. */
const runMs = 30 * 60_000;

const marks: [keyof Omit<Barrel, 'off' | 'rate'>, string][] = [
  ['shapeLost', 'Lost its shape'],
  ['wrongLead', 'Wrong lead'],
  ['steppedOff', 'Stepped off'],
  ['tipped', 'Tipped'],
];

/** Going in and coming out a pocket is a foot wider and a foot tighter than at the back. */
const around = (back: number) => [back + 1, back, Math.max(0, back - 1)];

function measured(plan: number, { timeS, barrels }: Running): Run {
  return {
    kind: 'run',
    ...(timeS !== null && timeS >= 5 && { time_s: timeS }),
    barrels: barrels.map((barrel) => ({
      planned_ft: around(plan),
      pocket_ft: around(Math.max(0, plan + barrel.off)),
      rate_strides: barrel.rate,
      right_lead: !barrel.wrongLead,
      shape_held: !barrel.shapeLost,
      tipped: barrel.tipped,
      stepped_off: barrel.steppedOff,
    })),
  };
}

/** A run of the pattern: saved as planned by one touch; what went otherwise is marked barrel by barrel. */
export function RunFace({ recorder }: { recorder: Recorder }) {
  const [run, setRun, rest] = useRunning(recorder.of, runMs, fresh);
  const plan = numberOf(recorder.set, 'plan');
  const ready = recorder.storage === 'ready';
  const now = useNow(run.startedAt !== null);
  const save = () => {
    recorder.record('both', measured(plan, run));
    rest();
  };
  const clock = () =>
    run.startedAt === null
      ? setRun({ ...run, startedAt: Date.now(), timeS: null })
      : setRun({
          ...run,
          startedAt: null,
          timeS: Math.round((Date.now() - run.startedAt) / 10) / 100,
        });
  const put = (index: number, change: Partial<Barrel>) =>
    setRun({
      ...run,
      barrels: run.barrels.map((barrel, at) => (at === index ? { ...barrel, ...change } : barrel)),
    });
  useKey('s', () => ready && save());
  useKey('t', clock);
  const timeS = run.startedAt === null ? run.timeS : Math.max(0, now - run.startedAt) / 1000;
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
      <Box
        sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', minHeight: 96 }}
        data-testid="half-both"
      >
        <FaceButton large disabled={!ready} onTap={save} keyed="s">
          Save the run
        </FaceButton>
        <FaceButton onTap={clock} keyed="t">
          {run.startedAt === null ? 'Start the clock' : 'Stop the clock'}
          <Typography component="span" role="timer" sx={{ display: 'block', fontWeight: 700 }}>
            {timeS === null ? 'not timed' : `${timeS.toFixed(1)} s`}
          </Typography>
        </FaceButton>
      </Box>
      <Typography sx={{ px: 1.5, py: 0.5 }}>{askedSoFar(recorder.reps)}</Typography>
      <Box sx={{ flex: 1, minHeight: 0, overflowY: 'auto', px: 1 }}>
        {run.barrels.map((barrel, index) => (
          <OneBarrel
            key={index}
            number={index + 1}
            barrel={barrel}
            plan={plan}
            onPut={(change) => put(index, change)}
          />
        ))}
      </Box>
    </Box>
  );
}

interface OneBarrelProps {
  number: number;
  barrel: Barrel;
  plan: number;
  onPut: (change: Partial<Barrel>) => void;
}

function OneBarrel({ number, barrel, plan, onPut }: OneBarrelProps) {
  const found = Math.max(0, plan + barrel.off);
  const apart =
    barrel.off === 0
      ? 'as planned'
      : `${lengthInWords(Math.abs(barrel.off))} ${barrel.off < 0 ? 'tight' : 'wide'}`;
  return (
    <Box role="group" aria-label={`Barrel ${number}`} sx={{ mb: 1 }}>
      <Typography sx={{ fontWeight: 700 }}>
        Barrel {number}: {lengthInWords(found)} at the back, {apart}
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', gap: 0.5 }}>
        <FaceButton disabled={found === 0} onTap={() => onPut({ off: barrel.off - 1 })}>
          {lengthInWords(1)} tighter
        </FaceButton>
        <FaceButton onTap={() => onPut({ off: barrel.off + 1 })}>
          {lengthInWords(1)} wider
        </FaceButton>
        <FaceButton onTap={() => onPut({ rate: (barrel.rate + 1) % 7 })}>
          Rated {barrel.rate} {barrel.rate === 1 ? 'stride' : 'strides'}
        </FaceButton>
        {marks.map(([mark, label]) => (
          <FaceButton
            key={mark}
            pressed={barrel[mark]}
            onTap={() => onPut({ [mark]: !barrel[mark] })}
          >
            {label}
          </FaceButton>
        ))}
      </Box>
    </Box>
  );
}
