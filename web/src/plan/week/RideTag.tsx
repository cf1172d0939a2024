import { useDraggable } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { KeyboardEvent } from 'react';
import { clockOf, kindOf, placeOf, riderOf } from './draft';
import type { Instance, RideTaken } from '../../data/week';

interface Props {
  instance: Instance;
  taken: RideTaken;
  index: number;
  movable: boolean;
  begun: boolean;
  trouble: boolean;
  isNew: boolean;
  held: boolean;
  onPick: (index: number) => void;
  onKey: (index: number, event: KeyboardEvent) => void;
  onLeave: () => void;
}

/** A ride on the horse's rope: dragged to another day, or tapped to be changed. */
export function RideTag(props: Props) {
  const { instance, taken, index, movable, begun, trouble, isNew, held } = props;
  const { ride, pinned } = taken;
  const { setNodeRef, attributes, listeners, transform, isDragging } = useDraggable({
    id: String(index),
    disabled: !movable,
  });
  const horse = instance.horses.find(({ horse_id }) => horse_id === ride.horse_id)?.name ?? '';
  const kind = kindOf(instance, ride);
  const marks = [
    pinned && 'pinned',
    begun && 'begun',
    isNew && 'new here',
    trouble && 'breaks a rule',
  ];
  return (
    <Box
      component="button"
      type="button"
      ref={setNodeRef}
      {...attributes}
      aria-disabled={undefined}
      {...listeners}
      aria-roledescription={movable ? 'ride to drag' : undefined}
      aria-label={[
        horse,
        clockOf(ride.from_min),
        riderOf(instance, ride),
        placeOf(instance, ride),
        kind,
        ...marks,
      ]
        .filter(Boolean)
        .join(', ')}
      onClick={() => props.onPick(index)}
      onKeyDown={movable ? (event) => props.onKey(index, event) : undefined}
      onBlur={held ? props.onLeave : undefined}
      sx={{
        font: 'inherit',
        textAlign: 'left',
        width: '100%',
        minHeight: 52,
        px: 1,
        py: 0.25,
        display: 'block',
        color: 'text.primary',
        bgcolor: 'background.paper',
        border: isNew ? '2px dashed' : '2px solid',
        borderTopWidth: pinned ? 6 : 2,
        borderColor: trouble ? 'error.main' : 'text.primary',
        borderRadius: '4px 4px 12px 12px',
        cursor: movable ? 'grab' : 'pointer',
        touchAction: 'manipulation',
        opacity: isDragging || held ? 0.7 : begun ? 0.75 : 1,
        transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined,
        position: 'relative',
        zIndex: isDragging || held ? 3 : 1,
        outline: held ? '4px solid' : undefined,
      }}
    >
      <Typography component="span" sx={{ display: 'block', fontWeight: 700, lineHeight: 1.25 }}>
        {trouble && '! '}
        {clockOf(ride.from_min)}
      </Typography>
      <Typography component="span" variant="body2" sx={{ display: 'block', lineHeight: 1.2 }}>
        {[riderOf(instance, ride), placeOf(instance, ride).toLowerCase(), kind]
          .filter(Boolean)
          .join(', ')}
      </Typography>
    </Box>
  );
}
