import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { useAddCare } from '../../data/horseChanges';
import { horsePath } from '../../data/horse';
import { useWho } from '../../data/who';
import { dayIn } from '../../base/words/days';
import { careDueWords } from '../../base/words/states';
import { careDueQuery } from '../../data/care';
import { dueInWords } from './words';

type Due = Schemas['CareOfHorse'];

/** Who comes for what: the booking that gets it done. */
const whoComes: Partial<Record<Schemas['CareKind'], Schemas['BookingKind']>> = {
  teeth: 'dentist',
  bit_seat: 'dentist',
  feet: 'farrier',
  vet: 'vet',
};

/** Teeth, feet, vet, season: what is due soon or overdue, for everybody who opens Today. */
export function DueCare() {
  const due = useQuery(careDueQuery);
  if (!due.data?.length) return null;
  return (
    <Box component="section" aria-label="Care due" sx={{ mt: 5, maxWidth: 720 }}>
      <Typography variant="h2">Care due</Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, mt: 1, p: 0 }}>
        {due.data.map((one) => (
          <OneDue key={`${one.care_id} ${one.care.kind}`} one={one} />
        ))}
      </Box>
    </Box>
  );
}

function OneDue({ one }: { one: Due }) {
  const { records, decides, time_zone } = useWho();
  const done = useAddCare(one.horse_id);
  const day = dayIn(time_zone);
  const { care } = one;
  const comes = whoComes[care.kind];
  const what = careDueWords[care.kind];
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        gap: 1,
        py: 0.75,
        borderBottom: '1px solid',
        borderColor: 'divider',
      }}
    >
      <Typography sx={{ flex: { xs: '1 1 100%', sm: '1 1 240px' } }}>
        <Box component={Link} to={horsePath(one.horse_id)} sx={{ color: 'text.primary' }}>
          <strong>{one.horse}</strong>
        </Box>
        : {what.toLowerCase()}{' '}
        <Box
          component="span"
          sx={care.overdue ? { fontWeight: 700, color: 'error.main' } : undefined}
        >
          {dueInWords(care, day)}
        </Box>
      </Typography>
      {decides && comes && (
        <Button
          component={Link}
          to={`/day?book=${comes}&horse=${one.horse_id}`}
          aria-label={`Book: ${one.horse}, ${what}`}
          sx={{ minHeight: 48 }}
        >
          Book
        </Button>
      )}
      {records && (
        <Button
          disabled={done.isPending}
          onClick={() => done.mutate({ kind: care.kind, day, text: '', again_days: null })}
          aria-label={`${care.kind === 'in_season' ? 'Seen' : 'Done'} today: ${one.horse}, ${what}`}
          sx={{ minHeight: 48 }}
        >
          {care.kind === 'in_season' ? 'Seen today' : 'Done today'}
        </Button>
      )}
      {done.isError && <Typography role="alert">{done.error.message}</Typography>}
    </Box>
  );
}
