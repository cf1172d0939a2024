import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import { FormSelect } from '../../base/form/FormSelect';
import { FormText } from '../../base/form/FormText';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { horsePath } from '../../data/horse';
import { useWho } from '../../data/who';
import { bookingWords } from '../../base/words/bookings';
import { clock } from '../../base/words/days';
import { BookingFields, type When } from './BookingFields';
import { BrokenList } from '../BrokenList';
import {
  useBringBack,
  useMove,
  useSkip,
  useSwap,
  useTakeOff,
  type BookingShown,
  type Change,
  type DayShown,
} from '../../data/day';
import { timeOf } from '../scale';
import { useBrokenBy } from './useRules';

interface Props {
  shown: DayShown;
  booked: BookingShown;
  arranges: boolean;
  onClose: () => void;
}

/** One booking: moved, handed on, swapped, skipped, taken off; what that would break is said first. */
export function BookingSheet({ shown, booked, arranges, onClose }: Props) {
  const { records } = useWho();
  const { booking, skipped_because } = booked;
  const horse = shown.plan.horses.find(({ horse_id }) => horse_id === booking.horse_id);
  const takeOff = useTakeOff();
  const bringBack = useBringBack();
  const id = booking.booking_id;
  const failed = takeOff.error ?? bringBack.error;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>
        {horse?.name ?? bookingWords[booking.kind]}, {clock(timeOf(booking.from_min))}
      </DialogTitle>
      <DialogContent>
        <Typography>
          {bookingWords[booking.kind]}
          {booked.level_name && `: ${booked.level_name.toLowerCase()}`}.{' '}
          {horse && (
            <Box component={Link} to={horsePath(horse.horse_id)} sx={{ color: 'text.primary' }}>
              {horse.name}&apos;s page
            </Box>
          )}
        </Typography>
        {skipped_because != null ? (
          <>
            <Typography sx={{ my: 1.5 }}>Skipped: {skipped_because}</Typography>
            {records && (
              <Button
                disabled={bringBack.isPending}
                onClick={() => bringBack.mutate(id, { onSuccess: onClose })}
                sx={{ minHeight: 56 }}
              >
                Bring it back
              </Button>
            )}
          </>
        ) : (
          <>
            {arranges && <MoveIt shown={shown} booked={booked} onDone={onClose} />}
            {arranges && booking.horse_id && (
              <SwapIt shown={shown} booked={booked} onDone={onClose} />
            )}
            {records && <SkipIt bookingId={id} onDone={onClose} />}
          </>
        )}
        <Typography role="alert" sx={{ color: 'error.main', '&:empty': { display: 'none' } }}>
          {saidOfAll(failed, [])}
        </Typography>
        <Box sx={{ display: 'flex', gap: 1.5, mt: 2 }}>
          {arranges && (
            <Button
              disabled={takeOff.isPending}
              onClick={() => takeOff.mutate(id, { onSuccess: onClose })}
              sx={{ minHeight: 56 }}
            >
              Take it off the day
            </Button>
          )}
          <Button onClick={onClose} sx={{ minHeight: 56, ml: 'auto' }}>
            Close
          </Button>
        </Box>
      </DialogContent>
    </Dialog>
  );
}

type PartProps = Pick<Props, 'shown' | 'booked'> & { onDone: () => void };

function MoveIt({ shown, booked: { booking, note }, onDone }: PartProps) {
  const move = useMove();
  const [when, setWhen] = useState<When>({
    person_id: booking.person_id ?? '',
    place_id: booking.place_id ?? '',
    from_min: booking.from_min,
    minutes: booking.minutes,
  });
  const moved = {
    booking_id: booking.booking_id,
    person_id: when.person_id || null,
    place_id: when.place_id || null,
    from_min: when.from_min,
    minutes: when.minutes,
  };
  const same =
    moved.person_id === (booking.person_id ?? null) &&
    moved.place_id === (booking.place_id ?? null) &&
    moved.from_min === booking.from_min &&
    moved.minutes === booking.minutes;
  const change: Change | undefined =
    same || moved.minutes < 5 ? undefined : { change: 'move', ...moved };
  const broken = useBrokenBy(shown.plan, change);
  const wrong = fieldsOf(move.error);
  return (
    <Box
      component="form"
      noValidate
      aria-label="Move it"
      onSubmit={(event) => {
        event.preventDefault();
        move.mutate({ ...moved, note }, { onSuccess: onDone });
      }}
      sx={{ display: 'grid', gap: 1.5, mt: 2 }}
    >
      <BookingFields
        plan={shown.plan}
        when={when}
        onWhen={setWhen}
        wrong={wrong}
        nobody={booking.horse_id == null}
      />
      {broken && <BrokenList broken={broken} />}
      <Typography role="alert" sx={{ color: 'error.main', '&:empty': { display: 'none' } }}>
        {saidOfAll(move.error, ['/person_id', '/place_id', '/from_min', '/minutes'])}
      </Typography>
      <Button
        type="submit"
        variant="contained"
        disabled={same || move.isPending || broken?.some(({ hard }) => hard)}
        sx={{ minHeight: 56 }}
      >
        Move it
      </Button>
    </Box>
  );
}

function SwapIt({ shown, booked: { booking }, onDone }: PartProps) {
  const swap = useSwap();
  const [other, setOther] = useState('');
  const others = shown.bookings.filter(
    (one) =>
      one.booking.booking_id !== booking.booking_id &&
      one.booking.horse_id != null &&
      one.skipped_because == null,
  );
  const change: Change | undefined = other
    ? { change: 'swap', booking_id: booking.booking_id, with: other }
    : undefined;
  const broken = useBrokenBy(shown.plan, change);
  if (others.length === 0) return null;
  const nameOf = (horseId?: string | null) =>
    shown.plan.horses.find(({ horse_id }) => horse_id === horseId)?.name ?? 'a horse';
  return (
    <Box sx={{ display: 'grid', gap: 1.5, mt: 2 }}>
      <FormSelect
        label="Swap times and riders with"
        value={other}
        of={[
          ['', 'Nobody'],
          ...others.map(({ booking: one }): [string, string] => [
            one.booking_id,
            `${nameOf(one.horse_id)}, ${clock(timeOf(one.from_min))}`,
          ]),
        ]}
        onPick={setOther}
      />
      {broken && <BrokenList broken={broken} />}
      <Typography role="alert" sx={{ color: 'error.main', '&:empty': { display: 'none' } }}>
        {saidOfAll(swap.error, [])}
      </Typography>
      {other && (
        <Button
          disabled={swap.isPending || broken?.some(({ hard }) => hard)}
          onClick={() =>
            swap.mutate({ booking_id: booking.booking_id, with: other }, { onSuccess: onDone })
          }
          sx={{ minHeight: 56 }}
        >
          Swap them
        </Button>
      )}
    </Box>
  );
}

function SkipIt({ bookingId, onDone }: { bookingId: string; onDone: () => void }) {
  const skip = useSkip();
  const [because, setBecause] = useState('');
  const wrong = fieldsOf(skip.error);
  return (
    <Box
      component="form"
      noValidate
      aria-label="Skip it"
      onSubmit={(event) => {
        event.preventDefault();
        skip.mutate({ booking_id: bookingId, because }, { onSuccess: onDone });
      }}
      sx={{ display: 'flex', gap: 1, mt: 2, alignItems: 'flex-start' }}
    >
      <FormText
        label="Skip it, because"
        becomes="Skipped/because"
        value={because}
        onText={setBecause}
        wrong={wrong['/because'] ?? (skip.error ? skip.error.message : undefined)}
        autoComplete="off"
      />
      <Button type="submit" disabled={!because.trim() || skip.isPending} sx={{ minHeight: 56 }}>
        Skip
      </Button>
    </Box>
  );
}
