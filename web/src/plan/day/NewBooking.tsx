import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Schemas } from '../../base/api/client';
import { FormSelect } from '../../base/form/FormSelect';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { useWho } from '../../data/who';
import { bookingWords, setUps } from '../../base/words/bookings';
import { BookingFields, type When } from './BookingFields';
import { BrokenList } from '../BrokenList';
import { useBook, type Change, type DayShown } from '../../data/day';
import { useBrokenBy } from './useRules';

const kinds = Object.entries(bookingWords) as [Schemas['BookingKind'], string][];

interface Props {
  shown: DayShown;
  /** What a reminder wants booked. */
  first: { kind: string | null; horse: string | null };
  onClose: () => void;
}

/** Something new in the day: a ride, an appointment, an outing, a place made ready. */
export function NewBooking({ shown, first, onClose }: Props) {
  const { person_id } = useWho();
  const { plan } = shown;
  const book = useBook(shown.day);
  const [id] = useState(() => uuidv7());
  const [kind, setKind] = useState(() => kinds.find(([one]) => one === first.kind)?.[0] ?? 'ride');
  const [horse, setHorse] = useState(first.horse ?? '');
  const [when, setWhen] = useState<When>(() => ({
    person_id,
    place_id: plan.places[0]?.place_id ?? '',
    from_min: Math.min(
      20 * 60,
      Math.max(7 * 60, ...plan.bookings.map(({ from_min, minutes }) => from_min + minutes)),
    ),
    minutes: 45,
  }));
  const ready = setUps.includes(kind);
  const booking = {
    booking_id: id,
    kind,
    horse_id: ready ? null : horse || null,
    person_id: ready ? null : when.person_id || null,
    place_id: when.place_id || null,
    from_min: when.from_min,
    minutes: when.minutes,
  };
  const complete = (ready || horse !== '') && when.minutes >= 5;
  const change: Change | undefined = complete
    ? { change: 'add', booking: { ...booking, cattle: false } }
    : undefined;
  const broken = useBrokenBy(plan, change);
  const wrong = fieldsOf(book.error);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>Book something</DialogTitle>
      <DialogContent>
        <Box
          component="form"
          noValidate
          aria-label="Book something"
          onSubmit={(event) => {
            event.preventDefault();
            book.mutate(booking, { onSuccess: onClose });
          }}
          sx={{ display: 'grid', gap: 1.5, pt: 1 }}
        >
          <FormSelect label="What" value={kind} of={kinds} onPick={setKind} />
          {!ready && (
            <FormSelect
              label="Horse"
              value={horse}
              of={[
                ['', 'Pick a horse'],
                ...plan.horses.map(({ horse_id, name }): [string, string] => [horse_id, name]),
              ]}
              onPick={setHorse}
              wrong={wrong['/horse_id']}
            />
          )}
          <BookingFields plan={plan} when={when} onWhen={setWhen} wrong={wrong} nobody={ready} />
          {broken && <BrokenList broken={broken} />}
          <Typography role="alert" sx={{ color: 'error.main', '&:empty': { display: 'none' } }}>
            {saidOfAll(book.error, [
              '/horse_id',
              '/person_id',
              '/place_id',
              '/from_min',
              '/minutes',
            ])}
          </Typography>
          <Box sx={{ display: 'flex', gap: 1.5 }}>
            <Button
              type="submit"
              variant="contained"
              disabled={!complete || book.isPending || broken?.some(({ hard }) => hard)}
              sx={{ minHeight: 56, minWidth: 120 }}
            >
              Book
            </Button>
            <Button onClick={onClose} sx={{ minHeight: 56 }}>
              Cancel
            </Button>
          </Box>
        </Box>
      </DialogContent>
    </Dialog>
  );
}
