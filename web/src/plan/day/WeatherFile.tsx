import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { answer, client } from '../../base/api/client';
import { FormText } from '../../base/form/FormText';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { useSave } from '../../data/save';
import { useWho } from '../../data/who';
import { count } from '../../base/words/plain';
import { dayAndClockIn } from '../../base/words/days';

/** Heat by the hour from a file: rows, or a calendar. */
export function WeatherFile({ onClose }: { onClose: () => void }) {
  const { time_zone } = useWho();
  const [text, setText] = useState('');
  const file = useRef<HTMLInputElement>(null);
  const read = useSave((body: { text: string }) => answer(client.PUT('/api/weather', { body })));
  const found = read.data;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>Weather from a file</DialogTitle>
      <DialogContent>
        <Box
          component="form"
          aria-label="Weather from a file"
          onSubmit={(event) => {
            event.preventDefault();
            read.mutate({ text });
          }}
          sx={{ display: 'grid', gap: 1.5, pt: 1 }}
        >
          <Typography>
            Rows with time, temperature_f (or temperature_c) and humidity_pct, or a calendar file
            whose events say both, such as &ldquo;88 F, 60%&rdquo;.
          </Typography>
          <FormText
            label="Rows or calendar"
            becomes="WeatherFile/text"
            value={text}
            onText={setText}
            multiline
            minRows={5}
            maxRows={12}
            placeholder={'time,temperature_f,humidity_pct\n2026-07-01T14:00,92,45'}
            wrong={fieldsOf(read.error)['/text']}
          />
          <Typography role="alert" sx={{ color: 'error.main', '&:empty': { display: 'none' } }}>
            {saidOfAll(read.error, ['/text'])}
          </Typography>
          {found && (
            <Typography role="status">
              {count(found.hours, 'hour')} read, {dayAndClockIn(time_zone, found.from)} to{' '}
              {dayAndClockIn(time_zone, found.to)}.
            </Typography>
          )}
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
            <Button onClick={() => file.current?.click()} sx={{ minHeight: 56 }}>
              Open a file
            </Button>
            <input
              ref={file}
              type="file"
              hidden
              accept=".csv,.tsv,.txt,.ics,text/csv,text/calendar"
              onChange={({ target }) => void target.files?.[0]?.text().then(setText)}
            />
            <Button
              type="submit"
              variant="contained"
              disabled={!text.trim() || read.isPending}
              sx={{ minHeight: 56 }}
            >
              Read it
            </Button>
            <Button onClick={onClose} sx={{ minHeight: 56 }}>
              {found ? 'Done' : 'Cancel'}
            </Button>
          </Box>
        </Box>
      </DialogContent>
    </Dialog>
  );
}
