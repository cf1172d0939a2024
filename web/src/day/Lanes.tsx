import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
  type DragMoveEvent,
} from '@dnd-kit/core';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { clock } from '../words/days';
import { BrokenList } from './BrokenList';
import { byStep, dropped, type Dropped } from './dragging';
import { Lane } from './Lane';
import { useMove, type DayShown } from './queries';
import { SetUpBands } from './SetUpBands';
import { hoursOf, pxPerMin, timeOf } from './scale';
import { useBrokenBy } from './useRules';

interface Props {
  shown: DayShown;
  arranges: boolean;
  onPick: (bookingId: string) => void;
}

const clockWidth = 64;

/** The day as lanes: people side by side, time downwards; a tag is dragged where it should be. */
export function Lanes({ shown, arranges, onPick }: Props) {
  const { plan } = shown;
  const [first, last] = hoursOf(plan);
  const [target, setTarget] = useState<Dropped>();
  const move = useMove();
  const broken = useBrokenBy(plan, target?.change);
  // A short press is a tap on the tag; a touch has to rest, so that the page still scrolls.
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 8 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
    useSensor(KeyboardSensor, { coordinateGetter: byStep }),
  );
  const people = peopleOf(shown);
  const at = (event: DragMoveEvent | DragEndEvent) =>
    dropped(shown, people, String(event.active.id), event.delta);
  return (
    <DndContext
      sensors={sensors}
      accessibility={{ screenReaderInstructions: { draggable: instructions } }}
      onDragMove={(event) => setTarget(at(event))}
      onDragCancel={() => setTarget(undefined)}
      onDragEnd={(event) => {
        const end = at(event);
        setTarget(undefined);
        if (end) move.mutate(end.moved);
      }}
    >
      <Box sx={{ minHeight: 76, my: 1, '@media print': { display: 'none' } }}>
        {target ? (
          <Box>
            <Typography role="status" sx={{ fontWeight: 700 }}>
              {target.words}
            </Typography>
            {broken && <BrokenList broken={broken} />}
          </Box>
        ) : (
          arranges && (
            <Typography sx={{ color: 'text.secondary' }}>
              Drag a tag, or tap it. With keys: space, then the arrows, then space.
            </Typography>
          )
        )}
        {move.isError && (
          <Typography role="alert" sx={{ color: 'error.main' }}>
            {move.error.message}
          </Typography>
        )}
      </Box>
      <Box sx={{ overflowX: 'auto', pb: 2 }}>
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: `${clockWidth}px repeat(${people.length}, minmax(150px, 1fr))`,
            columnGap: 1,
            position: 'relative',
            minWidth: clockWidth + people.length * 158,
          }}
        >
          <Box />
          {people.map(({ id, name }) => (
            <Typography key={id} variant="h2" sx={{ fontSize: '1.15rem', pb: 1, minHeight: 44 }}>
              {name}
            </Typography>
          ))}
          <Hours first={first} last={last} />
          {people.map((person) => (
            <Lane
              key={person.id}
              shown={shown}
              person={person}
              first={first}
              last={last}
              arranges={arranges}
              onPick={onPick}
            />
          ))}
          <SetUpBands shown={shown} first={first} left={clockWidth} onPick={onPick} />
        </Box>
      </Box>
    </DndContext>
  );
}

const instructions =
  'Press space to pick the tag up, up and down to move it in time, left and right to hand it to somebody else, space to set it down, escape to leave it where it was.';

export interface LanePerson {
  id: string;
  name: string;
}

/** Who has a lane: whoever rides or works that day, and a lane for what has nobody yet. */
function peopleOf({ plan, bookings }: DayShown): LanePerson[] {
  const booked = new Set(bookings.map(({ booking }) => booking.person_id));
  const own = plan.people
    .filter(
      ({ person_id, role, hours }) =>
        booked.has(person_id) || role === 'trainer' || role === 'rider' || hours,
    )
    .map(({ person_id, name }) => ({ id: person_id, name }));
  const nobody = bookings.some(
    ({ booking }) => booking.horse_id && !own.some(({ id }) => id === booking.person_id),
  );
  return nobody ? [...own, { id: '', name: 'Nobody yet' }] : own;
}

function Hours({ first, last }: { first: number; last: number }) {
  return (
    <Box sx={{ position: 'relative', height: (last - first) * 60 * pxPerMin }}>
      {Array.from({ length: last - first }, (_, index) => (
        <Typography
          key={index}
          variant="body2"
          sx={{
            position: 'absolute',
            top: index * 60 * pxPerMin,
            right: 6,
            transform: 'translateY(-4px)',
            whiteSpace: 'nowrap',
          }}
        >
          {clock(timeOf((first + index) * 60))}
        </Typography>
      ))}
    </Box>
  );
}
