import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Schemas } from '../../base/api/client';
import { TextBox } from '../../base/form/TextBox';
import { Section } from '../../shell/Section';
import { useWho } from '../../data/who';
import { dayIn, saidDay } from '../../base/words/days';
import { careWords, isFlag } from '../../base/words/states';
import { CareComes } from './CareComes';
import type { HorsePage } from '../../data/horse';
import { useAddCare, useClearCare } from '../../data/horseChanges';

type Kind = Schemas['CareKind'];
const kinds = Object.keys(careWords) as Kind[];

/** Flags that come before any training; teeth, feet, vet, season, and when they come again. */
export function Care({ page, today }: { page: HorsePage; today: boolean }) {
  const { records, time_zone } = useWho();
  const clear = useClearCare();
  const day = dayIn(time_zone);
  const newest = [...page.care].reverse();
  return (
    <Section
      id="care"
      later={220}
      title="Care"
      intro="Get what's flagged here looked at before you work on it. Cavesson never diagnoses."
    >
      <CareComes page={page} changes={records && today} />
      {newest.length === 0 && (
        <Typography>Nothing noted yet. Start with the last teeth check.</Typography>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {newest.map((note) => (
          <Box
            component="li"
            key={note.care_id}
            sx={{ display: 'flex', gap: 1, py: 0.5, alignItems: 'center' }}
          >
            <Typography sx={{ flex: 1 }}>
              <strong>
                {careWords[note.kind]}
                {isFlag(note.kind) && (note.cleared_on ? ', cleared' : ', open')}
              </strong>{' '}
              {saidDay(note.day, day)}
              {note.cleared_on && ` to ${saidDay(note.cleared_on, day)}`}. {note.text}
            </Typography>
            {records && today && isFlag(note.kind) && (
              <Button
                size="small"
                disabled={clear.isPending}
                onClick={() => clear.mutate({ care_id: note.care_id, cleared: !note.cleared_on })}
              >
                {note.cleared_on ? 'Reopen' : 'Clear'}
              </Button>
            )}
          </Box>
        ))}
      </Box>
      {clear.isError && <Typography role="alert">{clear.error.message}</Typography>}
      {records && today && <NoteCare horseId={page.horse.horse_id} day={day} />}
    </Section>
  );
}

function NoteCare({ horseId, day }: { horseId: string; day: string }) {
  const [kind, setKind] = useState<Kind>('teeth');
  const [text, setText] = useState('');
  const add = useAddCare(horseId);
  const note = () =>
    add.mutate({ kind, day: on, text, again_days: null }, { onSuccess: () => setText('') });
  const [on, setOn] = useState(day);
  return (
    <Box
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        note();
      }}
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1.5, alignItems: 'flex-start' }}
    >
      <TextField
        select
        label="What"
        value={kind}
        onChange={(event) => setKind(event.target.value as Kind)}
        sx={{ minWidth: 190 }}
      >
        {kinds.map((one) => (
          <MenuItem key={one} value={one}>
            {careWords[one]}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        type="date"
        label="When"
        value={on}
        onChange={({ target }) => target.value && setOn(target.value)}
        slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: day } }}
        sx={{ minWidth: 160 }}
      />
      <TextBox
        label="Notes"
        becomes="NewCare/text"
        value={text}
        onChange={(event) => setText(event.target.value)}
        error={add.isError}
        helperText={add.error?.message}
        sx={{ flex: '1 1 160px' }}
      />
      <Button type="submit" disabled={add.isPending} sx={{ minHeight: 56 }}>
        Add
      </Button>
    </Box>
  );
}
