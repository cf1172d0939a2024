import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { dueInWords } from '../care/words';
import { useWho } from '../../data/who';
import { dayIn } from '../../base/words/days';
import { careDueWords } from '../../base/words/states';
import { useSetCareAgain } from '../../data/horseChanges';
import type { HorsePage } from '../../data/horse';

type Comes = HorsePage['care_due'][number];

/** What comes again and when; a tap says that this horse needs it at another interval. */
export function CareComes({ page, changes }: { page: HorsePage; changes: boolean }) {
  const { time_zone } = useWho();
  const day = dayIn(time_zone);
  const [open, setOpen] = useState<string>();
  if (page.care_due.length === 0) return null;
  return (
    <Box component="ul" aria-label="Comes again" sx={{ listStyle: 'none', m: 0, mb: 1.5, p: 0 }}>
      {page.care_due.map((comes) => (
        <Box component="li" key={comes.kind} sx={{ py: 0.25 }}>
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
            <Typography sx={{ flex: 1 }}>
              <strong>{careDueWords[comes.kind]}</strong>{' '}
              <Box
                component="span"
                sx={comes.overdue ? { fontWeight: 700, color: 'error.main' } : undefined}
              >
                {dueInWords(comes, day)}
              </Box>
            </Typography>
            {changes && (
              <Button
                size="small"
                aria-expanded={open === comes.kind}
                aria-label={`How often: ${careDueWords[comes.kind]}`}
                onClick={() => setOpen(open === comes.kind ? undefined : comes.kind)}
              >
                How often
              </Button>
            )}
          </Box>
          {open === comes.kind && (
            <HowOften page={page} comes={comes} onDone={() => setOpen(undefined)} />
          )}
        </Box>
      ))}
    </Box>
  );
}

interface Props {
  page: HorsePage;
  comes: Comes;
  onDone: () => void;
}

function HowOften({ page, comes, onDone }: Props) {
  const set = useSetCareAgain(page.horse.horse_id);
  // The last note of the kind says how often.
  const note = page.care.findLast(({ kind, day }) => kind === comes.kind && day === comes.last);
  const [days, setDays] = useState(String(note?.again_days ?? ''));
  if (!note) return null;
  const keep = (again_days: number | null) =>
    set.mutate({ care_id: note.care_id, again_days }, { onSuccess: onDone });
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        keep(days.trim() ? Number(days) : null);
      }}
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, my: 1, alignItems: 'flex-start' }}
    >
      <TextField
        label="Days after the last time"
        value={days}
        onChange={({ target }) => setDays(target.value.replace(/\D/g, ''))}
        error={set.isError}
        helperText={set.error?.message ?? 'Left empty: what is usual.'}
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        sx={{ width: 220 }}
      />
      <Button type="submit" disabled={set.isPending} sx={{ minHeight: 56 }}>
        Keep
      </Button>
    </Box>
  );
}
