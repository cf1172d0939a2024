import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { memo, useCallback, useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { FormSelect } from '../base/form/FormSelect';
import { useLive } from '../base/core/useLive';
import { BarrelFigures } from './BarrelFigures';
import { BarrelHandles } from './BarrelHandles';
import { BarrelPanel } from './BarrelPanel';
import { BarrelsDrawn } from './BarrelsDrawn';
import { cloverleafInput } from './barrelDraft';
import { CloseUp } from './CloseUp';
import { CourseName } from './CourseName';
import { FitCourse } from './FitCourse';
import { useHistory } from './history';
import { LayDrawn } from './LayDrawn';
import { PlanView } from './PlanView';
import { drawPath, sheetPath, type BarrelPlan, type Course, type Lay } from '../data/ground';

interface Props {
  placeId: string;
  lay: Lay | null;
  first: BarrelPlan;
  course?: Course;
  /** Other barrel courses, to hold it against. */
  others: Course[];
  other: string;
  onOther: (courseId: string) => void;
}

/** A barrel course is set out on the plan: everything that is dragged is drawn as it moves. */
export function BarrelPlanner({ placeId, lay, first, course, others, other, onOther }: Props) {
  const { now: plan, settled, put, slide, settle, ...history } = useHistory<BarrelPlan>(first);
  // While something is dragged on the plan the fields beside it wait for the hand to let go:
  // drawing them with every move would cost more than half of the frames.
  const [onPlan, setOnPlan] = useState(false);
  const slideOnPlan = useCallback(
    (to: BarrelPlan) => {
      setOnPlan(true);
      slide(to);
    },
    [slide],
  );
  const settleOnPlan = useCallback(() => {
    setOnPlan(false);
    settle();
  }, [settle]);
  const shown = onPlan ? settled : plan;
  const [picked, setPicked] = useState(0);
  const live = useLive('cloverleaf', cloverleafInput(plan, lay));
  const beside = others.find(({ course_id }) => course_id === other);
  const besidePlan = beside?.plan.kind === 'barrels' ? beside.plan : undefined;
  const compared = useLive('cloverleaf', besidePlan ? cloverleafInput(besidePlan, lay) : null);
  const ridden = live.output;
  // Figures may lag a frame behind the drawing.
  const figures = useDeferredValue(ridden);
  const shows = lay?.outline ?? ridden?.points ?? [];
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
          shows={shows}
          label="Plan of the course. Barrels, pockets and the whole course can be dragged."
          height={720}
        >
          {lay && <LayDrawn lay={lay} />}
          {besidePlan && compared.output && <BarrelsDrawn ridden={compared.output} faded />}
          {ridden && <BarrelsDrawn ridden={ridden} detailed />}
          <BarrelHandles
            plan={plan}
            ridden={ridden}
            picked={picked}
            onPick={setPicked}
            onSlide={slideOnPlan}
            onSettle={settleOnPlan}
          />
        </PlanView>
        <Legend />
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1 }}>
          <Steps
            undo={history.canUndo ? history.undo : undefined}
            redo={history.canRedo ? history.redo : undefined}
            sheet={course && sheetPath(course.course_id)}
          />
        </Box>
        {live.error && (
          <Typography role="alert" sx={{ color: 'error.main', mt: 1 }}>
            {live.error}
          </Typography>
        )}
        {figures && !besidePlan && <BarrelFigures ridden={figures} />}
      </Box>
      <Box sx={{ display: 'grid', gap: 3, alignContent: 'start' }}>
        <CourseName placeId={placeId} course={course} plan={shown} />
        <BarrelPanel
          plan={shown}
          usualStride={ridden && Math.round((ridden.length_ft / ridden.strides) * 100) / 100}
          picked={picked}
          onPick={setPicked}
          onPut={put}
          onSlide={slide}
          onSettle={settle}
        />
        {ridden && (
          <CloseUp
            plan={plan}
            ridden={ridden}
            barrel={picked}
            onSlide={slideOnPlan}
            onSettle={settleOnPlan}
          />
        )}
        {lay ? (
          <FitCourse plan={shown} lay={lay} onPut={put} />
        ) : (
          <Typography>
            The place is not drawn yet. <Link to={drawPath(placeId)}>Draw it</Link> to see what room
            there is.
          </Typography>
        )}
        <Beside others={others} other={other} onOther={onOther} />
      </Box>
      {figures && besidePlan && (
        <Box
          sx={{
            gridColumn: '1 / -1',
            display: 'grid',
            gap: 5,
            gridTemplateColumns: { sm: 'minmax(0, 1fr) minmax(0, 1fr)' },
          }}
        >
          <BarrelFigures ridden={figures} name={course?.name ?? 'This one'} />
          {compared.output && <BarrelFigures ridden={compared.output} name={beside?.name} />}
        </Box>
      )}
    </Box>
  );
}

interface BesideProps {
  others: Course[];
  other: string;
  onOther: (courseId: string) => void;
}

const Beside = memo(function Beside({ others, other, onOther }: BesideProps) {
  if (others.length === 0) return null;
  return (
    <FormSelect
      label="Beside it"
      value={other}
      of={[
        ['', 'Nothing'],
        ...others.map(({ course_id, name }): [string, string] => [course_id, name]),
      ]}
      onPick={onOther}
    />
  );
});

interface StepsProps {
  undo?: () => void;
  redo?: () => void;
  sheet?: string;
}

const Steps = memo(function Steps({ undo, redo, sheet }: StepsProps) {
  return (
    <>
      <Button onClick={undo} disabled={!undo}>
        Undo
      </Button>
      <Button onClick={redo} disabled={!redo}>
        Redo
      </Button>
      {sheet && (
        <Button component={Link} to={sheet}>
          Setting-out sheet
        </Button>
      )}
    </>
  );
});

const Legend = memo(function Legend() {
  return (
    <Typography variant="body2" sx={{ color: 'text.secondary', mt: 1 }}>
      Diamond: begin to rate. Curve: sit. Rings: spots 1 (hand low and forward), 2 (look and bend),
      3 (finish, then over to the next line). Square: move it all.
    </Typography>
  );
});
