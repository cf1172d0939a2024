import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { FormFrame } from '../../base/form/FormFrame';
import { FormText } from '../../base/form/FormText';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { Section } from '../../shell/Section';
import { useWho } from '../../data/who';
import { dayIn, saidDay } from '../../base/words/days';
import { count } from '../../base/words/plain';
import { usePutSettling, useTakeOutSettling, type Lot } from '../../data/cattle';
import { Wrong } from './Wrong';

/** When the herd was settled, and how it went; written down the day it is done. */
export function Settlings({ lot }: { lot: Lot }) {
  const { records, time_zone } = useWho();
  const [writing, setWriting] = useState(false);
  const takeOut = useTakeOutSettling();
  const today = dayIn(time_zone);
  return (
    <Section
      title="Settling the herd"
      intro="An older horse puts them in the middle of the pen until they stand there and look out. Whoever leaves is quietly put back."
    >
      <Wrong error={takeOut.error} />
      {lot.settlings.length === 0 && <Typography>Nothing written down yet.</Typography>}
      <Box
        component="ul"
        aria-label="Settlings"
        sx={{ listStyle: 'none', m: 0, p: 0, maxWidth: 720 }}
      >
        {lot.settlings.map((one) => (
          <Box
            component="li"
            key={one.settling_id}
            sx={{
              display: 'flex',
              flexWrap: 'wrap',
              gap: 1,
              alignItems: 'center',
              borderTop: '1px solid',
              borderColor: 'divider',
              py: 0.5,
            }}
          >
            <Typography sx={{ flex: '1 1 260px' }}>
              <strong>{saidDay(one.day, today)}</strong>:{' '}
              {one.stands ? 'they stood' : "they wouldn't stand"} after{' '}
              {count(one.minutes, 'minute')}, {count(one.put_back, 'time')} put back ({one.by}).{' '}
              {one.note}
            </Typography>
            {records && (
              <Button
                aria-label={`Take out ${saidDay(one.day, today)}`}
                onClick={() => takeOut.mutate(one.settling_id)}
              >
                Take out
              </Button>
            )}
          </Box>
        ))}
      </Box>
      {records &&
        (writing ? (
          <Writing lotId={lot.lot_id} onDone={() => setWriting(false)} />
        ) : (
          <Button onClick={() => setWriting(true)} sx={{ mt: 1.5, minHeight: 56 }}>
            Write down a settling
          </Button>
        ))}
    </Section>
  );
}

function Writing({ lotId, onDone }: { lotId: string; onDone: () => void }) {
  const { time_zone } = useWho();
  const put = usePutSettling();
  // Sent again after a break in the line it is still the same one.
  const [settlingId] = useState(() => uuidv7());
  const [draft, setDraft] = useState({
    day: dayIn(time_zone),
    minutes: 20,
    put_back: 0,
    stands: true,
    note: '',
  });
  const wrong = fieldsOf(put.error);
  const number = (field: 'minutes' | 'put_back', label: string) => (
    <TextField
      type="number"
      label={label}
      value={draft[field]}
      error={wrong[`/settling/${field}`] !== undefined}
      helperText={wrong[`/settling/${field}`]}
      onChange={({ target }) =>
        setDraft({ ...draft, [field]: Math.max(0, Math.round(Number(target.value))) })
      }
      slotProps={{ htmlInput: { inputMode: 'numeric' } }}
    />
  );
  return (
    <FormFrame
      label="Settling the herd"
      save="Save"
      saving={put.isPending}
      onSave={() =>
        put.mutate({ settlingId, lot_id: lotId, settling: draft }, { onSuccess: onDone })
      }
      onCancel={onDone}
      wrong={saidOfAll(put.error, ['/settling/minutes', '/settling/put_back', '/settling/day'])}
    >
      <TextField
        type="date"
        label="Day"
        value={draft.day}
        error={wrong['/settling/day'] !== undefined}
        helperText={wrong['/settling/day']}
        onChange={({ target }) => setDraft({ ...draft, day: target.value })}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      {number('minutes', 'Minutes')}
      {number('put_back', 'Times one was put back')}
      <FormControlLabel
        control={
          <Switch checked={draft.stands} onChange={(_, stands) => setDraft({ ...draft, stands })} />
        }
        label="They stood in the middle and looked out"
      />
      <FormText
        label="Notes"
        becomes="Settling/note"
        value={draft.note}
        onText={(note) => setDraft({ ...draft, note })}
        autoComplete="off"
      />
    </FormFrame>
  );
}
