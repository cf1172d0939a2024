import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Schemas } from '../base/api/client';
import { FormText } from '../base/form/FormText';
import { fieldsOf, saidOfAll } from '../base/form/problems';
import { saidDay } from '../base/words/days';
import { useBringBackNote, useTakeBackNote, useTellOwner, writtenWordsQuery } from '../data/owner';

interface Props {
  horseId: string;
  on: string;
  notes: Schemas['NoteShown'][];
}

/** Notes for the owner: written for them, or picked from what was written of the horse. */
export function Notes({ horseId, on, notes }: Props) {
  const [text, setText] = useState('');
  const [day, setDay] = useState(on);
  const [gone, setGone] = useState<string>();
  const tell = useTellOwner(horseId);
  const takeBack = useTakeBackNote();
  const bringBack = useBringBackNote();
  const written = useQuery(writtenWordsQuery(horseId));
  const told = new Set(notes.map((note) => note.text));
  const open = (written.data ?? []).filter((one) => !told.has(one.text.trim()));
  return (
    <Box>
      <Typography variant="h3" component="h2">
        Notes
      </Typography>
      <Box
        component="form"
        noValidate
        aria-label="Tell the owner"
        onSubmit={(event) => {
          event.preventDefault();
          tell.mutate(
            { note_id: uuidv7(), day, text },
            {
              onSuccess() {
                setText('');
                setDay(on);
              },
            },
          );
        }}
        sx={{ mt: 1 }}
      >
        <FormText
          label="Tell the owner"
          becomes="NewOwnerNote/text"
          multiline
          value={text}
          onText={setText}
          wrong={fieldsOf(tell.error)['/text'] ?? saidOfAll(tell.error, ['/text'])}
          helperText={day === on ? undefined : `About ${saidDay(day, on)}`}
        />
        <Button type="submit" disabled={tell.isPending || !text.trim()} sx={{ mt: 1 }}>
          Show it
        </Button>
      </Box>
      {open.length > 0 && (
        <Box component="details" sx={{ mt: 1 }}>
          <Box component="summary" sx={{ cursor: 'pointer', minHeight: 44, py: 1 }}>
            Pick from what was written
          </Box>
          {open.map((one) => (
            <Button
              key={`${one.day} ${one.text}`}
              variant="text"
              onClick={() => {
                setText(one.text);
                setDay(one.day);
              }}
              sx={{ display: 'block', textAlign: 'left', py: 0.75 }}
            >
              {saidDay(one.day, on)}: {one.text}
            </Button>
          ))}
        </Box>
      )}
      {notes.map(({ note_id, text: shown }) => (
        <Box key={note_id} sx={{ display: 'flex', gap: 1, alignItems: 'center', py: 0.25 }}>
          <Typography noWrap sx={{ flex: 1, minWidth: 0 }}>
            {shown}
          </Typography>
          <Button
            aria-label={`Hide: ${shown}`}
            onClick={() => takeBack.mutate(note_id, { onSuccess: () => setGone(note_id) })}
          >
            Hide
          </Button>
        </Box>
      ))}
      {gone && (
        <Button onClick={() => bringBack.mutate(gone, { onSuccess: () => setGone(undefined) })}>
          Undo
        </Button>
      )}
    </Box>
  );
}
