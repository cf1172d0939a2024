import { DndContext, type DragEndEvent, type DragMoveEvent } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import GlobalStyles from '@mui/material/GlobalStyles';
import Typography from '@mui/material/Typography';
import { useState, type KeyboardEvent } from 'react';
import { BrokenList } from '../BrokenList';
import { dragByKeys, useDragSensors } from '../../shell/dragging';
import { longDay } from '../../base/words/days';
import { said, moved, replaced, ridesOf, type Draft } from './draft';
import { HorseRope } from './HorseRope';
import type { Instance, PlannedRide, Rules } from '../../data/week';
import { useWeekRules } from './useWeekRules';

interface Props {
  instance: Instance;
  draft: Draft;
  stands: PlannedRide[];
  begun: PlannedRide[];
  rules: Rules | undefined;
  arranges: boolean;
  onChange: (draft: Draft) => void;
  onPick: (index: number) => void;
}

interface Held {
  index: number;
  days: number;
  steps: number;
}

const nameWidth = { xs: 112, sm: 168 };

/** The width of a day with the gap beside it. */
const dayWidth = () =>
  document.querySelector('[data-week-day]')?.getBoundingClientRect().width ?? 120;

/** The week: each horse a rope from day to day, each ride a tag that hangs on it. */
export function Ropes(props: Props) {
  const { instance, draft, arranges, onChange } = props;
  const [dragged, setDragged] = useState<Held>();
  const [held, setHeld] = useState<Held>();
  const sensors = useDragSensors();
  const at = ({ active, delta }: DragMoveEvent | DragEndEvent): Held => ({
    index: Number(active.id),
    days: Math.round(delta.x / dayWidth()),
    steps: 0,
  });
  const over = held ?? dragged;
  const target = over && targetOf(instance, draft, over);
  const tried = target ? replaced(draft, over.index, target) : draft;
  const rules = useWeekRules(instance, ridesOf(tried), ridesOf(draft));
  const set = (where: Held) => {
    const end = targetOf(instance, draft, where);
    if (end) onChange(replaced(draft, where.index, end));
  };
  const onKey = (index: number, event: KeyboardEvent) =>
    dragByKeys(event, held?.index === index ? held : undefined, {
      begin: () => ({ index, days: 0, steps: 0 }),
      next: byKey,
      hold: setHeld,
      set,
    });
  return (
    <DndContext
      sensors={sensors}
      accessibility={{ screenReaderInstructions: { draggable: instructions } }}
      onDragMove={(event) => setDragged(at(event))}
      onDragCancel={() => setDragged(undefined)}
      onDragEnd={(event) => {
        setDragged(undefined);
        set(at(event));
      }}
    >
      <Box sx={{ minHeight: 64, my: 1, '@media print': { display: 'none' } }}>
        {target ? (
          <>
            <Typography role="status" sx={{ fontWeight: 700 }}>
              {said(instance, target.ride)}
            </Typography>
            {rules && <BrokenList broken={rules.newly_broken.map(({ broken }) => broken)} />}
          </>
        ) : (
          arranges && (
            <Typography sx={{ color: 'text.secondary' }}>
              Drag a ride to another day, or tap it. With keys: space, then the arrows, then space.
            </Typography>
          )
        )}
      </Box>
      <GlobalStyles styles={{ '@page': { size: 'landscape' } }} />
      <Box sx={{ overflowX: 'auto', pb: 1, '@media print': { overflowX: 'visible' } }}>
        <Box
          component="table"
          aria-label="The week by horse"
          sx={{
            borderCollapse: 'collapse',
            tableLayout: 'fixed',
            width: '100%',
            minWidth: nameWidth.xs + instance.days.length * 112,
            '@media print': { minWidth: 0 },
            '& th, & td': { textAlign: 'left', verticalAlign: 'top', p: 0.5 },
          }}
        >
          <thead>
            <tr>
              <Box
                component="th"
                scope="col"
                sx={{ width: nameWidth, '@media print': { width: 128 } }}
              >
                <Typography component="span" variant="body2">
                  Horse
                </Typography>
              </Box>
              {instance.days.map(({ date }) => (
                <Box component="th" scope="col" key={date} data-week-day>
                  <Typography component="span" variant="h3" sx={{ fontSize: '1.02rem' }}>
                    {longDay(date).split(',')[0]}
                  </Typography>
                </Box>
              ))}
            </tr>
          </thead>
          <tbody>
            {instance.horses.map((horse) => (
              <HorseRope
                key={horse.horse_id}
                horse={horse}
                {...props}
                held={held?.index}
                onKey={onKey}
                onLeave={() => setHeld(undefined)}
              />
            ))}
          </tbody>
        </Box>
      </Box>
    </DndContext>
  );
}

const instructions =
  'Press space to pick the ride up, left and right to move it to another day, up and down to move it in time, space to set it down, escape to leave it where it was.';

function targetOf(instance: Instance, draft: Draft, where: Held) {
  const taken = draft[where.index];
  const ride = taken && moved(instance, taken.ride, where);
  return ride && { ...taken, ride };
}

function byKey(code: string, held: Held): Held | undefined {
  const step = {
    ArrowRight: { days: 1, steps: 0 },
    ArrowLeft: { days: -1, steps: 0 },
    ArrowDown: { days: 0, steps: 1 },
    ArrowUp: { days: 0, steps: -1 },
  }[code];
  return step && { ...held, days: held.days + step.days, steps: held.steps + step.steps };
}
