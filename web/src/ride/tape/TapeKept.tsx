import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { saidOfAll } from '../../base/form/problems';
import { useSendRun, runsPath, type Course } from '../../data/ground';
import { asPlanned, around, measured, rungs } from '../../ground/runDraft';
import { FormSelect } from '../../base/form/FormSelect';
import { peopleQuery } from '../../data/people';
import { useWho } from '../../data/who';
import { endOf } from '../../base/words/instant';
import { useKeepTape } from '../../data/tapes';
import type { Said } from './TapeFigures';
import type { useTape } from './useTape';

interface Props {
  horse: { horse_id: string; name: string };
  tapeId: string;
  tape: ReturnType<typeof useTape>;
  said: Said | undefined;
  wrong: string | undefined;
  course: Course | undefined;
  pathFt: number | undefined;
}

/** Keeping what was marked, and making a run of it. */
export function TapeKept({ horse, tapeId, tape, said, wrong, course, pathFt }: Props) {
  const { records } = useWho();
  const { sheet, put, changed } = tape;
  const keep = useKeepTape(horse.horse_id, tapeId);
  const noName = sheet.name.trim() === '';
  if (!records) return null;
  return (
    <Box role="group" aria-label="Keep" sx={{ display: 'grid', gap: 1.5, mt: 3 }}>
      <TextField
        label="What it is called"
        placeholder="Second run, from the rail"
        value={sheet.name}
        onChange={({ target }) => put({ ...sheet, name: target.value })}
        slotProps={{ htmlInput: { maxLength: 80 }, inputLabel: { shrink: true } }}
      />
      <TextField
        label="Filmed on"
        type="date"
        value={sheet.day}
        onChange={({ target }) => target.value && put({ ...sheet, day: target.value })}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Box sx={{ display: 'flex', gap: 0.5 }}>
        <Button disabled={!tape.canUndo} onClick={tape.undo} sx={{ flex: 1, minHeight: 56 }}>
          Undo
        </Button>
        <Button disabled={!tape.canRedo} onClick={tape.redo} sx={{ flex: 1, minHeight: 56 }}>
          Redo
        </Button>
      </Box>
      <Button
        variant="contained"
        disabled={noName || !changed || keep.isPending}
        onClick={() => keep.mutate({ ...sheet, name: sheet.name.trim() })}
        sx={{ minHeight: 64 }}
      >
        Keep the marks
      </Button>
      <Typography role="status">
        {noName ? 'Say what it is called to keep it.' : changed ? 'Not kept yet.' : 'Kept.'}
      </Typography>
      {(keep.error ?? wrong) && (
        <Typography role="alert" sx={{ color: 'error.main' }}>
          {keep.error ? saidOfAll(keep.error, []) : wrong}
        </Typography>
      )}
      {said?.times.time_s != null && said.times.splits_s.length === 4 && (
        <MakeRun horse={horse} said={said} course={course} pathFt={pathFt} day={sheet.day} />
      )}
    </Box>
  );
}

interface MakeRunProps {
  horse: Props['horse'];
  said: Said;
  course: Course | undefined;
  pathFt: number | undefined;
  day: string;
}

const thousandth = (value: number) => Math.round(value * 1000) / 1000;

/** The run on the tape, among the horse's runs: its time, splits, and the pockets that were measured. */
function MakeRun({ horse, said, course, pathFt, day }: MakeRunProps) {
  const { person_id, time_zone } = useWho();
  const send = useSendRun();
  const people = useQuery(peopleQuery);
  const [rider, setRider] = useState(person_id);
  const [rung, setRung] = useState('run');
  const [sent, setSent] = useState(false);
  const plan = course?.plan.kind === 'barrels' ? course.plan : undefined;
  const save = () =>
    send.mutate(
      {
        personId: person_id,
        horseId: horse.horse_id,
        rung,
        endedAt: endOf(time_zone, day),
        fromTapeOf: rider,
        measure: measured({
          barrels: [asPlanned, asPlanned, asPlanned],
          planned: plan?.pockets ?? [around(4), around(4), around(4)],
          measuredFt: said.on_ground?.pockets_ft.map((pocket) =>
            pocket.map((feet) => (feet == null ? null : Math.round(feet * 10) / 10)),
          ),
          timeS: thousandth(said.times.time_s!),
          splits: said.times.splits_s.map(thousandth),
          courseId: course?.course_id,
          pathFt,
        }),
      },
      { onSuccess: () => setSent(true) },
    );
  if (sent)
    return (
      <Typography role="status">
        Among <Link to={runsPath(horse.horse_id)}>{horse.name}’s runs</Link>.
      </Typography>
    );
  return (
    <>
      <FormSelect
        label="Who rode it"
        value={rider}
        of={(people.data ?? [])
          .filter((one) => one.role !== 'owner')
          .map((one): [string, string] => [one.person_id, one.name])}
        onPick={setRider}
      />
      <FormSelect label="Ridden" value={rung} of={rungs} onPick={setRung} />
      <Button disabled={send.isPending} onClick={save} sx={{ minHeight: 56 }}>
        Put it among the runs
      </Button>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        Only if nobody recorded it from the saddle: it would count twice. It goes in on the right
        leads with nothing tipped; type it in by hand where that was not so.
      </Typography>
      {send.error && (
        <Typography role="alert" sx={{ color: 'error.main' }}>
          {saidOfAll(send.error, [])}
        </Typography>
      )}
    </>
  );
}
