import { useDraggable } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { KeyboardEvent } from 'react';
import { bookingWords } from '../../base/words/bookings';
import { clock } from '../../base/words/days';
import type { BookingShown, Broken, DayPlan } from '../../data/day';
import { inPixels, type Steps } from './dragging';
import { timeOf } from '../scale';

interface Props {
  booked: BookingShown;
  plan: DayPlan;
  broken: Broken[];
  top: number;
  height: number;
  arranges: boolean;
  onPick: (bookingId: string) => void;
  /** How far it was moved, while it is held with keys. */
  held?: Steps;
  onKey: (bookingId: string, event: KeyboardEvent) => void;
  onLeave: () => void;
}

/** A tag on its hook: dragged in time and from lane to lane, or tapped to be changed. */
export function BookedTag(props: Props) {
  const { booked, plan, broken, top, height, arranges, onPick, held, onKey, onLeave } = props;
  const { booking, skipped_because } = booked;
  const id = booking.booking_id;
  const movable = arranges && skipped_because == null;
  const { setNodeRef, attributes, listeners, transform, isDragging } = useDraggable({
    id,
    disabled: !movable,
  });
  const moved = held ? inPixels(held) : transform;
  const horse = plan.horses.find(({ horse_id }) => horse_id === booking.horse_id);
  const place = plan.places.find(({ place_id }) => place_id === booking.place_id);
  const trouble = broken.some(({ bookings, hard }) => hard && bookings.includes(id));
  const at = clock(timeOf(booking.from_min));
  const line = [
    booking.kind === 'ride' ? null : bookingWords[booking.kind],
    place?.name,
    skipped_because && `skipped: ${skipped_because}`,
  ]
    .filter(Boolean)
    .join(', ');
  const short = height < 44;
  return (
    <Box
      component="li"
      sx={{
        position: 'absolute',
        left: 4,
        right: 0,
        top,
        height: Math.max(height - 2, 26),
        zIndex: 1,
      }}
    >
      <Box
        component="button"
        type="button"
        ref={setNodeRef}
        {...attributes}
        // One that cannot be dragged is tapped all the same.
        aria-disabled={undefined}
        {...listeners}
        aria-roledescription={movable ? 'tag to drag' : undefined}
        onClick={() => onPick(id)}
        onKeyDown={movable ? (event) => onKey(id, event) : undefined}
        onBlur={held && onLeave}
        aria-label={`${horse?.name ?? 'A horse'}, ${at}, ${line}${trouble ? ', breaks a rule' : ''}`}
        sx={{
          font: 'inherit',
          textAlign: 'left',
          width: '100%',
          height: '100%',
          overflow: 'hidden',
          display: 'flex',
          flexDirection: short ? 'row' : 'column',
          gap: short ? 1 : 0,
          px: 1.25,
          py: 0.25,
          color: 'text.primary',
          bgcolor: 'background.paper',
          border: skipped_because != null ? '2px dashed' : '2px solid',
          borderColor: trouble ? 'error.main' : 'text.primary',
          borderRadius: '14px 4px 4px 14px',
          cursor: arranges ? 'grab' : 'pointer',
          touchAction: 'manipulation',
          opacity: isDragging || held ? 0.7 : 1,
          transform: moved ? `translate(${moved.x}px, ${moved.y}px)` : undefined,
          position: 'relative',
          zIndex: isDragging || held ? 3 : 1,
        }}
      >
        <Typography
          component="span"
          variant="h3"
          noWrap
          sx={{ fontSize: '1.02rem', textDecoration: skipped_because ? 'line-through' : undefined }}
        >
          {trouble && '! '}
          {horse?.name ?? 'A horse'}
        </Typography>
        <Typography component="span" variant="body2" sx={{ lineHeight: 1.2 }} noWrap={short}>
          {at}
          {line && `, ${line.charAt(0).toLowerCase()}${line.slice(1)}`}
        </Typography>
      </Box>
    </Box>
  );
}
