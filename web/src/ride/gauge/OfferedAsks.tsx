import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { FormSelect } from '../../base/form/FormSelect';
import { saidOfAll } from '../../base/form/problems';
import { plainTable } from '../../shell/plainTable';
import { Section } from '../../shell/Section';
import type { HorsePage } from '../../data/horse';
import { useWho } from '../../data/who';
import { answerWords, handWords, seconds, sideWords, type Answer } from '../../base/words/answers';
import { count } from '../../base/words/plain';
import { pullInWords } from '../../base/words/inches';
import type { Trace } from './trace';
import { useKeepAsks } from './keepAsks';

interface Props {
  page: HorsePage;
  trace: Trace;
  /** When the file was written, in milliseconds: about the end of the ride. */
  writtenAt: number;
}

/** What a device may be out of step with: a moment as a form takes it. */
const localMinute = (at: number) => {
  const date = new Date(at - new Date(at).getTimezoneOffset() * 60_000);
  return date.toISOString().slice(0, 16);
};

/** Asks of a trace, each to be kept or left; one level for all of them. */
export function OfferedAsks({ page, trace, writtenAt }: Props) {
  const { records } = useWho();
  const navigate = useNavigate();
  const levels = page.levels.filter(({ level }) => level.measure === 'give');
  const [path, setPath] = useState(() => {
    const next = page.next?.level;
    const first = levels.find(({ level }) => level.name === next?.name) ?? levels[0];
    return first ? `${first.level.skill}/${first.level.rung}` : '';
  });
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [answers, setAnswers] = useState<Record<number, Answer>>({});
  const [ended, setEnded] = useState(() => localMinute(writtenAt));
  const keep = useKeepAsks();
  const kept = trace.asks.flatMap((ask, index) => (left.has(index) ? [] : [{ ask, index }]));
  if (trace.asks.length === 0)
    return (
      <Typography sx={{ mt: 2 }}>No ask in it: the pull never rises above the carried.</Typography>
    );
  const turn = (index: number) =>
    setLeft((before) => {
      const next = new Set(before);
      if (!next.delete(index)) next.add(index);
      return next;
    });
  return (
    <Section
      title="Asks to keep"
      intro="The gauge knows when the rein was let go, not why. Say where the horse did not give."
    >
      <Box sx={{ maxHeight: 460, overflowY: 'auto' }} tabIndex={0} role="group" aria-label="Asks">
        <Box component="table" sx={{ ...plainTable, maxWidth: 760, '& td': { py: 0 } }}>
          <thead>
            <tr>
              {['Keep', 'At', 'Rein', 'Time to give', 'Hand', 'Answer'].map((name) => (
                <th scope="col" key={name}>
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {trace.asks.map((ask, index) => (
              <tr key={ask.onset_s}>
                <td>
                  <Checkbox
                    checked={!left.has(index)}
                    onChange={() => turn(index)}
                    slotProps={{ input: { 'aria-label': `Keep ask ${index + 1}` } }}
                  />
                </td>
                <td>{seconds(ask.onset_s)}</td>
                <td>{sideWords[ask.side]}</td>
                <td>{seconds(ask.time_to_give_s)}</td>
                <td>
                  {handWords[ask.hand]}, {pullInWords(ask.peak_n)}
                </td>
                <td>
                  <Box
                    component="select"
                    aria-label={`Answer of ask ${index + 1}`}
                    value={answers[index] ?? 'gave'}
                    onChange={({ target }) =>
                      setAnswers({ ...answers, [index]: target.value as Answer })
                    }
                    sx={{ font: 'inherit', minHeight: 44 }}
                  >
                    {(['gave', 'did_not_give', 'evaded_up', 'evaded_out'] as const).map((one) => (
                      <option key={one} value={one}>
                        {answerWords[one]}
                      </option>
                    ))}
                  </Box>
                </td>
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
      {records && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mt: 2 }}>
          <Box sx={{ width: 320 }}>
            <FormSelect
              label="What was asked"
              value={path}
              of={levels.map(({ level }) => [`${level.skill}/${level.rung}`, level.name])}
              onPick={setPath}
            />
          </Box>
          <TextField
            label="The ride ended"
            type="datetime-local"
            value={ended}
            onChange={({ target }) => setEnded(target.value)}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <Button
            variant="contained"
            disabled={keep.isPending || kept.length === 0 || ended === ''}
            sx={{ minHeight: 56 }}
            onClick={() =>
              keep.mutate(
                {
                  horseId: page.horse.horse_id,
                  level: path,
                  endedAt: new Date(ended).getTime(),
                  asks: kept.map(({ ask, index }) => ({
                    ...ask,
                    answer: answers[index] ?? 'gave',
                  })),
                },
                { onSuccess: ({ rideId }) => void navigate(`/rides/${rideId}`) },
              )
            }
          >
            Keep {count(kept.length, 'ask')}
          </Button>
        </Box>
      )}
      <Typography role="alert" sx={{ '&:empty': { display: 'none' } }}>
        {saidOfAll(keep.error, [])}
      </Typography>
    </Section>
  );
}
