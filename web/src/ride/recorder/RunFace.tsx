import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../base/api/client';
import { around, asPlanned, measured, type RunBarrelDraft } from '../../ground/runDraft';
import { FormSelect } from '../../base/form/FormSelect';
import { footingWords } from '../../base/words/ground';
import { EyeTimes } from '../../ground/EyeTimes';
import { FaceButton } from '../../shell/FaceButton';
import { useFaceClock } from '../../shell/faceClock';
import { numberOf } from './faces';
import { askedSoFar } from './Half';
import { RunBarrel } from '../../ground/RunBarrel';
import { useKey } from './useKey';
import { useNow } from '../../shell/useNow';
import type { FaceRecorder } from './useRecorder';
import { useRunCourse } from './useRunCourse';
import { useRunning } from './useRunning';

interface Running {
  startedAt: number | null;
  timeS: number | null;
  /** The time of the eyes that it is. */
  timedId?: string;
  broken: boolean;
  barrels: RunBarrelDraft[];
}

const fresh = (): Running => ({
  startedAt: null,
  timeS: null,
  broken: false,
  barrels: [asPlanned, asPlanned, asPlanned],
});

/** A run is said soon after it. */
const runMs = 30 * 60_000;

/** A run of the pattern: saved as planned by one touch; what went otherwise is marked barrel by barrel. */
export function RunFace({ recorder }: { recorder: FaceRecorder }) {
  const [run, setRun, rest] = useRunning(`${recorder.of}.spots`, runMs, fresh);
  const { course, courses, pick, footing, pickFooting } = useRunCourse(recorder.of);
  const usual = around(numberOf(recorder.set, 'plan'));
  const planned = course?.pockets ?? [usual, usual, usual];
  const { wall } = useFaceClock();
  const ready = recorder.storage === 'ready';
  const now = useNow(run.startedAt !== null);
  const save = () => {
    recorder.record(
      'both',
      measured({
        barrels: run.barrels,
        planned,
        timeS: run.timeS,
        timedId: run.timedId,
        courseId: course?.courseId,
        pathFt: course?.pathFt,
        footing: footing === '' ? undefined : footing,
        broken: run.broken,
      }),
    );
    rest();
  };
  const clock = () =>
    run.startedAt === null
      ? setRun({ ...run, startedAt: wall(), timeS: null, timedId: undefined })
      : setRun({
          ...run,
          startedAt: null,
          timeS: Math.round((wall() - run.startedAt) / 10) / 100,
        });
  const put = (index: number, change: Partial<RunBarrelDraft>) =>
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
            {timeS === null ? 'not timed' : `${timeS.toFixed(run.timedId ? 3 : 1)} s`}
          </Typography>
        </FaceButton>
      </Box>
      <Typography sx={{ px: 1.5, py: 0.5 }}>{askedSoFar(recorder.reps)}</Typography>
      <Box sx={{ flex: 1, minHeight: 0, overflowY: 'auto', px: 1 }}>
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1, my: 1 }}>
          {courses.length > 0 && (
            <FormSelect
              label="Course"
              value={course?.courseId ?? ''}
              of={[['', 'None of ours'], ...courses]}
              onPick={pick}
            />
          )}
          <FormSelect
            label="Ground"
            value={footing}
            of={[
              ['', 'Not said'],
              ...(Object.entries(footingWords) as [Schemas['Footing'], string][]),
            ]}
            onPick={pickFooting}
          />
        </Box>
        <EyeTimes
          taken={run.timedId}
          onTake={(timedId, timeS) => setRun({ ...run, startedAt: null, timeS, timedId })}
        />
        {run.barrels.map((barrel, index) => (
          <RunBarrel
            key={index}
            number={index + 1}
            barrel={barrel}
            planned={planned[index] ?? usual}
            onPut={(change) => put(index, change)}
          />
        ))}
        <FaceButton pressed={run.broken} onTap={() => setRun({ ...run, broken: !run.broken })}>
          Broke the pattern: no time
        </FaceButton>
      </Box>
    </Box>
  );
}
