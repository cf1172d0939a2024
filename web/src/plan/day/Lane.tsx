import Box from '@mui/material/Box';
import type { KeyboardEvent } from 'react';
import { BookedTag } from './BookedTag';
import type { Steps } from './dragging';
import type { LanePerson } from './lanePerson';
import type { DayShown } from '../../data/day';
import { minutesOf, pxPerMin } from '../scale';

interface Props {
  shown: DayShown;
  person: LanePerson;
  first: number;
  last: number;
  arranges: boolean;
  onPick: (bookingId: string) => void;
  /** The tag that is held with keys, and how far it was moved. */
  held?: Steps & { id: string };
  onKey: (bookingId: string, event: KeyboardEvent) => void;
  onLeave: () => void;
}

/** One person's lane: a rail, tags on it, and the hours they do not work hatched. */
export function Lane(props: Props) {
  const { shown, person, first, last, arranges, held } = props;
  const own = shown.bookings.filter(
    ({ booking }) => booking.horse_id != null && (booking.person_id ?? '') === person.id,
  );
  const known = shown.plan.people.find(({ person_id }) => person_id === person.id);
  const top = (minutes: number) => (minutes - first * 60) * pxPerMin;
  const height = (last - first) * 60 * pxPerMin;
  const off: [number, number][] = known?.hours
    ? [
        [0, top(minutesOf(known.hours.from))],
        [top(minutesOf(known.hours.to)), height],
      ]
    : known?.sets_hours
      ? [[0, height]]
      : [];
  return (
    <Box
      data-lane={person.id}
      component="ol"
      aria-label={person.name}
      sx={{
        listStyle: 'none',
        m: 0,
        p: 0,
        position: 'relative',
        height,
        borderLeft: '5px solid',
        borderColor: 'text.primary',
      }}
    >
      {off
        .filter(([from, to]) => to > from)
        .map(([from, to]) => (
          <Box
            key={from}
            component="li"
            aria-hidden="true"
            sx={({ palette }) => ({
              position: 'absolute',
              left: 0,
              right: 0,
              top: Math.max(0, from),
              height: Math.min(height, to) - Math.max(0, from),
              backgroundImage: `repeating-linear-gradient(135deg, ${palette.divider} 0 2px, transparent 2px 12px)`,
            })}
          />
        ))}
      {known?.busy?.map(({ from_min, to_min }) => (
        <Box
          key={from_min}
          component="li"
          sx={({ palette }) => ({
            position: 'absolute',
            left: 4,
            right: 4,
            top: Math.max(0, top(from_min)),
            height: Math.min(height, top(to_min)) - Math.max(0, top(from_min)),
            overflow: 'hidden',
            border: '2px dashed',
            borderColor: 'text.secondary',
            px: 1,
            backgroundImage: `repeating-linear-gradient(45deg, ${palette.divider} 0 2px, transparent 2px 9px)`,
          })}
        >
          <Box component="span" sx={{ bgcolor: 'background.default', px: 0.5 }}>
            busy
          </Box>
        </Box>
      ))}
      {own.map((booked) => (
        <BookedTag
          key={booked.booking.booking_id}
          booked={booked}
          plan={shown.plan}
          broken={shown.broken}
          top={top(booked.booking.from_min)}
          height={booked.booking.minutes * pxPerMin}
          arranges={arranges}
          onPick={props.onPick}
          held={held?.id === booked.booking.booking_id ? held : undefined}
          onKey={props.onKey}
          onLeave={props.onLeave}
        />
      ))}
    </Box>
  );
}
