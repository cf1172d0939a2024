import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { FormSelect } from '../base/form/FormSelect';
import { useLive } from '../base/core/useLive';
import { groundInWords } from '../base/words/ground';
import { CourseName } from './CourseName';
import { useHistory } from './history';
import { LayDrawn } from './LayDrawn';
import { put as putAt, without } from './layDraft';
import { ObstacleForm } from './ObstacleForm';
import { PlanView } from './PlanView';
import type { Course, Lay, TrailPlan } from '../data/ground';
import { TomorrowsTrail } from './TomorrowsTrail';
import { fresh, obstacleNames, type ObstacleKind, type Placed } from './trailDraft';
import { TrailDrawn } from './TrailDrawn';
import { TrailRows } from './TrailRows';

interface Props {
  placeId: string;
  lay: Lay | null;
  first: TrailPlan;
  course?: Course;
}

/** A trail course: obstacles on the plan, checked as they are set, the way round drawn. */
export function TrailPlanner({ placeId, lay, first, course }: Props) {
  const { now: plan, put, slide, settle, ...history } = useHistory<TrailPlan>(first);
  const [picked, setPicked] = useState(0);
  const [next, setNext] = useState<ObstacleKind>('poles');
  const live = useLive('trail-check', { course: plan.obstacles, lay });
  const said = live.output;
  const set = (obstacles: Placed[]) => put({ ...plan, obstacles });
  const one = plan.obstacles[picked];
  const add = () => {
    const last = plan.obstacles.at(-1);
    const at = last ? [last.at[0]! + 20, last.at[1]!] : [20, 20];
    set([...plan.obstacles, { obstacle: fresh[next], at, heading_deg: last?.heading_deg ?? 90 }]);
    setPicked(plan.obstacles.length);
  };
  const swap = (a: number, b: number) => {
    const list = [...plan.obstacles];
    [list[a], list[b]] = [list[b]!, list[a]!];
    set(list);
    setPicked(b);
  };
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 5fr) minmax(0, 6fr)' },
        columnGap: 4,
        rowGap: 2,
        mt: 2,
      }}
    >
      <Box>
        <PlanView
          shows={lay?.outline ?? plan.obstacles.map(({ at }) => at)}
          label="Plan of the trail course. Obstacles can be dragged and turned."
          height={720}
        >
          {lay && <LayDrawn lay={lay} />}
          {said && (
            <TrailDrawn
              obstacles={plan.obstacles}
              said={said}
              picked={picked}
              onPick={setPicked}
              onSlide={(index, placed) =>
                slide({ ...plan, obstacles: putAt(plan.obstacles, index, placed) })
              }
              onSettle={settle}
            />
          )}
        </PlanView>
        <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
          <Button onClick={history.undo} disabled={!history.canUndo}>
            Undo
          </Button>
          <Button onClick={history.redo} disabled={!history.canRedo}>
            Redo
          </Button>
        </Box>
        {live.error && (
          <Typography role="alert" sx={{ color: 'error.main', mt: 1 }}>
            {live.error}
          </Typography>
        )}
      </Box>
      <Box sx={{ display: 'grid', gap: 2, alignContent: 'start' }}>
        <CourseName placeId={placeId} course={course} plan={plan} />
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Box sx={{ flex: 1 }}>
            <FormSelect
              label="Add"
              value={next}
              of={Object.entries(obstacleNames) as [ObstacleKind, string][]}
              onPick={setNext}
            />
          </Box>
          <Button onClick={add} disabled={plan.obstacles.length >= 30}>
            Add it
          </Button>
        </Box>
        {one && (
          <ObstacleForm
            key={`${picked} ${one.obstacle.kind}`}
            number={picked + 1}
            placed={one}
            onPut={(placed) => set(putAt(plan.obstacles, picked, placed))}
            onEarlier={picked > 0 ? () => swap(picked, picked - 1) : undefined}
            onLater={
              picked < plan.obstacles.length - 1 ? () => swap(picked, picked + 1) : undefined
            }
            onTakeAway={
              plan.obstacles.length > 1
                ? () => {
                    set(without(plan.obstacles, picked));
                    setPicked(Math.max(0, picked - 1));
                  }
                : undefined
            }
          />
        )}
        {said && (
          <Box component="section" aria-label="What it comes to">
            <Typography sx={{ fontSize: '1.2rem', fontWeight: 700 }}>
              {groundInWords(said.length_ft)} round, difficulty {said.difficulty.toFixed(1)} of 10
            </Typography>
            <TrailRows said={said} />
          </Box>
        )}
        {said && (
          <Box component="section" aria-label="Safety">
            <Typography variant="h3" component="h2">
              Before anybody rides it
            </Typography>
            <ul>
              {said.cautions.map((caution) => (
                <li key={caution}>{caution}</li>
              ))}
            </ul>
          </Box>
        )}
        {course && said && <TomorrowsTrail courseId={course.course_id} said={said} />}
      </Box>
    </Box>
  );
}
