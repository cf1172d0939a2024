import Box from '@mui/material/Box';
import { bookingWords, setUps } from '../../base/words/bookings';
import { clock } from '../../base/words/days';
import type { DayShown } from '../../data/day';
import { pxPerMin, timeOf } from '../scale';

interface Props {
  shown: DayShown;
  first: number;
  /** Where the lanes begin. */
  left: number;
  onPick: (bookingId: string) => void;
}

/** The head of the lanes is as high as their names. */
const headPx = 44;

/** Places made ready, as bands behind the lanes: barrels set, herd gathered, ground dragged. */
export function SetUpBands({ shown, first, left, onPick }: Props) {
  const bands = shown.bookings.filter(
    ({ booking, skipped_because }) => setUps.includes(booking.kind) && skipped_because == null,
  );
  return bands.map(({ booking }) => {
    const place = shown.plan.places.find(({ place_id }) => place_id === booking.place_id);
    const words = `${bookingWords[booking.kind]}, ${place?.name ?? 'somewhere'}, ${clock(timeOf(booking.from_min))}`;
    return (
      <Box
        key={booking.booking_id}
        sx={({ palette }) => ({
          position: 'absolute',
          left,
          right: 0,
          top: headPx + (booking.from_min - first * 60) * pxPerMin,
          height: booking.minutes * pxPerMin,
          borderTop: '3px solid',
          borderBottom: '3px solid',
          borderColor: palette.secondary.main,
          pointerEvents: 'none',
        })}
      >
        <Box
          component="button"
          type="button"
          onClick={() => onPick(booking.booking_id)}
          sx={{
            font: 'inherit',
            fontWeight: 700,
            pointerEvents: 'auto',
            position: 'absolute',
            right: 0,
            top: -15,
            minHeight: 28,
            px: 1,
            border: 0,
            color: 'secondary.contrastText',
            bgcolor: 'secondary.main',
            borderRadius: '4px 12px 12px 4px',
            zIndex: 2,
          }}
        >
          {words}
        </Box>
      </Box>
    );
  });
}
