import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { FormSelect } from '../../base/form/FormSelect';
import { clock } from '../../base/words/days';
import { count } from '../../base/words/plain';
import { DayAnew } from './DayAnew';
import { HitBooking } from './HitBooking';
import { LameHorse } from './LameHorse';
import type { BookingShown, DayShown } from '../../data/day';
import { timeOf } from '../scale';

type What = 'lame' | 'goes_home' | 'hot';

const whats: [What, string][] = [
  ['lame', 'A horse came up lame'],
  ['goes_home', 'Somebody goes home'],
  ['hot', "It's getting too hot"],
];

interface Props {
  shown: DayShown;
  /** Minutes from midnight by now; what began before is not touched. */
  fromMin: number;
  onClose: () => void;
}

/** Something came up: what it hits of the day, and what to do about each, one tap each. */
export function CameUp({ shown, fromMin, onClose }: Props) {
  const [what, setWhat] = useState<What>('lame');
  const [horse, setHorse] = useState('');
  const [person, setPerson] = useState('');
  const [hour, setHour] = useState(String(Math.max(12, Math.ceil(fromMin / 60))));
  const hit = hitBy(shown, { what, horse, person, hotFromMin: Number(hour) * 60 }, fromMin);
  const asked = what === 'lame' ? horse : what === 'goes_home' ? person : hour;
  const name = shown.plan.people.find(({ person_id }) => person_id === person)?.name ?? '';
  const because = {
    lame: 'Came up lame',
    goes_home: `${name} went home`,
    hot: 'Too hot',
  }[what];
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>Something came up</DialogTitle>
      <DialogContent>
        <Box sx={{ display: 'grid', gap: 1.5, pt: 1 }}>
          <FormSelect label="What" value={what} of={whats} onPick={setWhat} />
          {what === 'lame' && (
            <FormSelect
              label="Horse"
              value={horse}
              of={[
                ['', 'Pick the horse'],
                ...shown.plan.horses.map((one): [string, string] => [one.horse_id, one.name]),
              ]}
              onPick={setHorse}
            />
          )}
          {what === 'goes_home' && (
            <FormSelect
              label="Who"
              value={person}
              of={[
                ['', 'Pick who'],
                ...shown.plan.people.map((one): [string, string] => [one.person_id, one.name]),
              ]}
              onPick={setPerson}
            />
          )}
          {what === 'hot' && (
            <FormSelect
              label="Too hot from"
              value={hour}
              of={Array.from({ length: 24 }, (_, one): [string, string] => [
                String(one),
                clock(timeOf(one * 60)),
              ])}
              onPick={setHour}
            />
          )}
        </Box>
        {what === 'lame' && horse && <LameHorse horseId={horse} />}
        {asked && (
          <Typography sx={{ fontWeight: 700, mt: 2 }} role="status">
            {hit.length === 0
              ? 'Nothing more today is hit by that.'
              : `${count(hit.length, 'booking')} hit:`}
          </Typography>
        )}
        {asked &&
          hit.map((booked) => (
            <HitBooking
              key={booked.booking.booking_id}
              shown={shown}
              booked={booked}
              without={what === 'goes_home' ? person : undefined}
              overBy={what === 'hot' ? Number(hour) * 60 : undefined}
              handsOn={what === 'goes_home'}
              fromMin={fromMin}
              because={because}
            />
          ))}
        {asked && (
          <DayAnew
            key={`${what} ${asked}`}
            day={shown.day}
            without={{
              without_horses: what === 'lame' ? [horse] : [],
              without_people: what === 'goes_home' ? [person] : [],
              too_hot_from_min: what === 'hot' ? Number(hour) * 60 : null,
            }}
            because={because}
            onDone={onClose}
          />
        )}
        <Box sx={{ display: 'flex', mt: 2 }}>
          <Button onClick={onClose} sx={{ minHeight: 56, ml: 'auto' }}>
            Done
          </Button>
        </Box>
      </DialogContent>
    </Dialog>
  );
}

interface Asked {
  what: What;
  horse: string;
  person: string;
  hotFromMin: number;
}

/** What of the rest of the day is hit. */
function hitBy({ bookings }: DayShown, asked: Asked, fromMin: number): BookingShown[] {
  return bookings.filter(({ booking, skipped_because }) => {
    const ridden = booking.kind === 'ride' || booking.kind === 'outing';
    if (skipped_because != null || booking.from_min < fromMin || !booking.horse_id) return false;
    if (asked.what === 'lame') return ridden && booking.horse_id === asked.horse;
    if (asked.what === 'goes_home') return booking.person_id === asked.person;
    return ridden && booking.from_min + booking.minutes > asked.hotFromMin;
  });
}
