import { DndContext, type DragEndEvent, type DragMoveEvent } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState, type KeyboardEvent } from 'react';
import { dragByKeys, useDragSensors } from '../../shell/dragging';
import { useWho } from '../../data/who';
import { clock } from '../../base/words/days';
import { BrokenList } from '../BrokenList';
import { byKey, dropped, inSteps, type Dropped, type Steps } from './dragging';
import { HeatByHour, heatWithin } from './Heat';
import { Lane } from './Lane';
import { useMove, type DayShown } from '../../data/day';
import type { LanePerson } from './lanePerson';
import { SetUpBands } from './SetUpBands';
import { hoursOf, pxPerMin, timeOf } from '../scale';
import { useBrokenBy } from './useRules';

interface Props {
  shown: DayShown;
  arranges: boolean;
  onPick: (bookingId: string) => void;
}

const clockWidth = 84;

/** The day as lanes: people side by side, time downwards; a tag is dragged where it should be. */
export function Lanes({ shown, arranges, onPick }: Props) {
  const { plan } = shown;
  const [first, last] = hoursOf(plan);
  const heatWidth = heatWithin(shown.heat, first, last).length > 0 ? 124 : 0;
  const [dragged, setDragged] = useState<Dropped>();
  const [held, setHeld] = useState<Steps & { id: string }>();
  const move = useMove();
  const sensors = useDragSensors();
  const { person_id } = useWho();
  const people = peopleOf(shown, person_id);
  const at = (event: DragMoveEvent | DragEndEvent) =>
    dropped(shown, people, String(event.active.id), inSteps(event.delta));
  const target = held ? dropped(shown, people, held.id, held) : dragged;
  const broken = useBrokenBy(plan, target?.change);
  const onKey = (id: string, event: KeyboardEvent) =>
    dragByKeys(event, held?.id === id ? held : undefined, {
      begin: () => ({ id, lanes: 0, steps: 0 }),
      next: (code, at) => {
        const next = byKey(code, at);
        return next && { id, ...next };
      },
      hold: setHeld,
      set: () => target && move.mutate(target.moved),
    });
  return (
    <DndContext
      sensors={sensors}
      accessibility={{ screenReaderInstructions: { draggable: instructions } }}
      onDragMove={(event) => setDragged(at(event))}
      onDragCancel={() => setDragged(undefined)}
      onDragEnd={(event) => {
        const end = at(event);
        setDragged(undefined);
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
            gridTemplateColumns: `${clockWidth}px ${heatWidth ? `${heatWidth}px ` : ''}repeat(${people.length}, minmax(150px, 1fr))`,
            columnGap: 1,
            position: 'relative',
            minWidth: clockWidth + heatWidth + people.length * 158,
          }}
        >
          <Box />
          {heatWidth > 0 && (
            <Typography variant="h2" sx={{ fontSize: '1.15rem', pb: 1, minHeight: 44 }}>
              Heat
            </Typography>
          )}
          {people.map(({ id, name }) => (
            <Typography key={id} variant="h2" sx={{ fontSize: '1.15rem', pb: 1, minHeight: 44 }}>
              {name}
            </Typography>
          ))}
          <Hours first={first} last={last} />
          {heatWidth > 0 && <HeatByHour heat={shown.heat} first={first} last={last} />}
          {people.map((person) => (
            <Lane
              key={person.id}
              shown={shown}
              person={person}
              first={first}
              last={last}
              arranges={arranges}
              onPick={onPick}
              held={held}
              onKey={onKey}
              onLeave={() => setHeld(undefined)}
            />
          ))}
          <SetUpBands shown={shown} first={first} left={clockWidth + heatWidth} onPick={onPick} />
        </Box>
      </Box>
    </DndContext>
  );
}

const instructions =
  'Press space to pick the tag up, up and down to move it in time, left and right to hand it to somebody else, space to set it down, escape to leave it where it was.';

/**
 * Who has a lane: oneself first, then whoever rides or is booked that day; and a lane for
 * what has no rider, such as the farrier.
 */
function peopleOf({ plan, bookings }: DayShown, self: string): LanePerson[] {
  const booked = new Set(bookings.map(({ booking }) => booking.person_id));
  const own = plan.people
    .filter(
      ({ person_id, role }) => booked.has(person_id) || role === 'trainer' || role === 'rider',
    )
    .map(({ person_id, name }) => ({ id: person_id, name }))
    .sort((a, b) => Number(b.id === self) - Number(a.id === self));
  const nobody = bookings.some(
    ({ booking }) => booking.horse_id && !own.some(({ id }) => id === booking.person_id),
  );
  return nobody ? [...own, { id: '', name: 'Without a rider' }] : own;
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
