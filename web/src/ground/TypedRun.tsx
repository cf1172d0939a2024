import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Schemas } from '../base/api/client';
import { FormSelect } from '../base/form/FormSelect';
import { saidOfAll } from '../base/form/problems';
import { RunBarrel } from './RunBarrel';
import { useWho } from '../data/who';
import { useLive } from '../base/core/useLive';
import { footingWords } from '../base/words/ground';
import { cloverleafInput } from './barrelDraft';
import { useSendRun, type Course } from '../data/ground';
import { around, asPlanned, measured, rungs } from './runDraft';
import { EyeTimes } from './EyeTimes';
import { endOf } from '../base/words/instant';
import { dayIn } from '../base/words/days';

interface Props {
  horseId: string;
  courses: Course[];
  onDone: () => void;
}

/** A time as a clock shows it; null while it is none. */
function secondsOf(typed: string): number | null {
  const value = Number(typed.trim().replace(',', '.'));
  return typed.trim() !== '' && Number.isFinite(value) && value > 0 ? value : null;
}

/** A run that somebody timed, typed in afterward. It counts as a ride of its own. */
export function TypedRun({ horseId, courses, onDone }: Props) {
  const { person_id, time_zone } = useWho();
  const barrelCourses = courses.filter(
    ({ plan, put_away_at }) => plan.kind === 'barrels' && put_away_at == null,
  );
  const [rung, setRung] = useState('run');
  const [courseId, setCourseId] = useState(barrelCourses[0]?.course_id ?? '');
  const [day, setDay] = useState(() => dayIn(time_zone));
  const [timedId, setTimedId] = useState<string>();
  const [time, setTime] = useState('');
  const [splits, setSplits] = useState(['', '', '', '']);
  const [footing, setFooting] = useState<Schemas['Footing'] | ''>('');
  const [broken, setBroken] = useState(false);
  const [barrels, setBarrels] = useState([asPlanned, asPlanned, asPlanned]);
  const send = useSendRun();
  const course = barrelCourses.find(({ course_id }) => course_id === courseId);
  const plan = course?.plan.kind === 'barrels' ? course.plan : undefined;
  const way = useLive('cloverleaf', plan ? cloverleafInput(plan, null) : null);
  const planned = plan?.pockets ?? [around(4), around(4), around(4)];
  const [timeS, parts] = [secondsOf(time), splits.map(secondsOf)];
  const someSplits = splits.some((split) => split.trim() !== '');
  const wrong =
    (time.trim() !== '' && timeS === null && 'Type the time in seconds, such as 17.234.') ||
    (someSplits &&
      parts.some((split) => split === null) &&
      'Type all four splits, or leave them all empty.') ||
    (day > dayIn(time_zone) && 'Pick a day that has been.') ||
    undefined;
  const save = () =>
    send.mutate(
      {
        personId: person_id,
        horseId,
        rung,
        endedAt: endOf(time_zone, day),
        measure: measured({
          barrels,
          planned,
          timeS,
          timedId,
          splits: someSplits ? parts.map((split) => split ?? 0) : undefined,
          courseId: courseId || undefined,
          pathFt: way.output?.length_ft,
          footing: footing || undefined,
          broken,
        }),
      },
      { onSuccess: onDone },
    );
  return (
    <Box
      component="form"
      aria-label="Add a run"
      onSubmit={(event) => {
        event.preventDefault();
        if (!wrong) save();
      }}
      sx={{ display: 'grid', gap: 1.5, maxWidth: 720, mt: 2 }}
    >
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }}>
        <FormSelect label="Ridden" value={rung} of={rungs} onPick={setRung} />
        <TextField
          label="On"
          type="date"
          value={day}
          onChange={({ target }) => target.value && setDay(target.value)}
          error={day > dayIn(time_zone)}
          helperText={day > dayIn(time_zone) ? 'That day is still to come.' : undefined}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <FormSelect
          label="Course"
          value={courseId}
          of={[
            ['', 'None of ours'],
            ...barrelCourses.map(({ course_id, name }): [string, string] => [course_id, name]),
          ]}
          onPick={setCourseId}
        />
        <TextField
          label="Time (s)"
          value={time}
          onChange={({ target }) => {
            setTime(target.value);
            setTimedId(undefined);
          }}
          helperText="By the clock, without what barrels cost"
          slotProps={{ htmlInput: { inputMode: 'decimal', maxLength: 10 } }}
        />
        <FormSelect
          label="Ground"
          value={footing}
          of={[
            ['', 'Not said'],
            ...(Object.entries(footingWords) as [Schemas['Footing'], string][]),
          ]}
          onPick={setFooting}
        />
      </Box>
      <EyeTimes
        taken={timedId}
        onTake={(id, seconds) => {
          setTimedId(id);
          setTime(seconds.toFixed(3));
        }}
      />
      <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'repeat(4, minmax(0, 1fr))' }}>
        {['To barrel 1', 'To 2', 'To 3', 'Home'].map((name, index) => (
          <TextField
            key={name}
            label={`${name} (s)`}
            value={splits[index]}
            onChange={({ target }) =>
              setSplits(splits.map((split, at) => (at === index ? target.value : split)))
            }
            slotProps={{ htmlInput: { inputMode: 'decimal', maxLength: 10 } }}
          />
        ))}
      </Box>
      {barrels.map((barrel, index) => (
        <RunBarrel
          key={index}
          number={index + 1}
          barrel={barrel}
          planned={planned[index] ?? around(4)}
          onPut={(change) =>
            setBarrels(barrels.map((one, at) => (at === index ? { ...one, ...change } : one)))
          }
        />
      ))}
      <Button aria-pressed={broken} onClick={() => setBroken(!broken)}>
        {broken ? '✓ Broke the pattern: no time' : 'Broke the pattern: no time'}
      </Button>
      {(wrong ?? send.error) && (
        <Typography role="alert" sx={{ color: 'error.main' }}>
          {wrong ?? saidOfAll(send.error, [])}
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button
          type="submit"
          variant="contained"
          disabled={send.isPending}
          sx={{ minHeight: 56, flex: 1 }}
        >
          Save the run
        </Button>
        <Button onClick={onDone} sx={{ minHeight: 56 }}>
          Cancel
        </Button>
      </Box>
    </Box>
  );
}
