import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { saidOfAll } from '../../base/form/problems';
import { clock } from '../../base/words/days';
import { useMove, useSkip, type BookingShown, type DayPlan, type DayShown } from '../../data/day';
import { stepMin, timeOf } from '../scale';
import { brokenBy } from './useRules';

interface Props {
  shown: DayShown;
  booked: BookingShown;
  /** Who is not there any more. */
  without?: string;
  /** It helps to be over by then, in minutes from midnight. */
  overBy?: number;
  /** Whether somebody else helps. */
  handsOn: boolean;
  fromMin: number;
  because: string;
}

interface Way {
  words: string;
  person_id: string | null;
  from_min: number;
}

/** As many ways out as fit a row of a phone. */
const mostWays = 3;

/** A booking that is hit: handed on or moved where the rules let it, or skipped with why. */
export function HitBooking(props: Props) {
  const { shown, booked, because } = props;
  const { booking, note } = booked;
  const skip = useSkip();
  const move = useMove();
  const ways = useWays(props);
  const horse = shown.plan.horses.find(({ horse_id }) => horse_id === booking.horse_id);
  const busy = skip.isPending || move.isPending;
  return (
    <Box sx={{ borderTop: '1px solid', borderColor: 'divider', py: 1.25 }}>
      <Typography variant="h3">
        {horse?.name ?? 'A horse'}, {clock(timeOf(booking.from_min))}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 0.5 }}>
        {ways?.map(({ words, person_id, from_min }) => (
          <Button
            key={words}
            disabled={busy}
            onClick={() =>
              move.mutate({
                booking_id: booking.booking_id,
                person_id,
                place_id: booking.place_id ?? null,
                from_min,
                minutes: booking.minutes,
                note,
              })
            }
            sx={{ minHeight: 52 }}
          >
            {words}
          </Button>
        ))}
        <Button
          disabled={busy}
          onClick={() => skip.mutate({ booking_id: booking.booking_id, because })}
          sx={{ minHeight: 52 }}
        >
          Skip it
        </Button>
      </Box>
      {(props.handsOn || props.overBy !== undefined) && ways?.length === 0 && (
        <Typography variant="body2">
          {props.handsOn ? 'Nobody else is free and cleared then.' : 'No earlier time is free.'}
        </Typography>
      )}
      <Typography role="alert" sx={{ color: 'error.main', '&:empty': { display: 'none' } }}>
        {saidOfAll(skip.error ?? move.error, [])}
      </Typography>
    </Box>
  );
}

/** The ways out that break nothing; undefined while they are being tried. */
function useWays({ shown, booked, without, overBy, handsOn, fromMin }: Props): Way[] | undefined {
  const [ways, setWays] = useState<Way[]>();
  const { booking } = booked;
  const { plan } = shown;
  useEffect(() => {
    let left = false;
    const all = [
      ...(handsOn ? toOthers(plan, booked, without) : []),
      ...(overBy === undefined ? [] : toEarlier(booked, fromMin, overBy)),
    ];
    firstThatFit(plan, booked, all)
      .then((found) => {
        if (!left) setWays(found);
      })
      .catch((error: unknown) => console.warn(error));
    return () => {
      left = true;
    };
    // A booking that was changed is another one.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [plan, booking.booking_id, booking.from_min, booking.person_id, without, overBy, handsOn]);
  return ways;
}

const toOthers = (plan: DayPlan, { booking }: BookingShown, without?: string): Way[] =>
  plan.people
    .filter(({ person_id }) => person_id !== without)
    .map(({ person_id, name }) => ({
      words: `Hand to ${name.split(' ')[0]}`,
      person_id,
      from_min: booking.from_min,
    }));

/** Quarters of an hour at which it is over in time, the latest first. */
function toEarlier({ booking }: BookingShown, fromMin: number, overBy: number): Way[] {
  const latest = Math.floor((overBy - booking.minutes) / stepMin) * stepMin;
  const steps = Math.max(0, Math.floor((latest - fromMin) / stepMin) + 1);
  return Array.from({ length: steps }, (_, step) => latest - step * stepMin).map((from_min) => ({
    words: `Move to ${clock(timeOf(from_min))}`,
    person_id: booking.person_id ?? null,
    from_min,
  }));
}

/** The core is asked about one after the other, until enough of them break nothing. */
async function firstThatFit(plan: DayPlan, { booking }: BookingShown, all: Way[]): Promise<Way[]> {
  const fit: Way[] = [];
  for (const way of all) {
    const broken = await brokenBy(plan, {
      change: 'move',
      booking_id: booking.booking_id,
      person_id: way.person_id,
      place_id: booking.place_id ?? null,
      from_min: way.from_min,
      minutes: booking.minutes,
    });
    if (broken.length === 0) fit.push(way);
    if (fit.length === mostWays) break;
  }
  return fit;
}
