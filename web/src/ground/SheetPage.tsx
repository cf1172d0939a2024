import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { QueryState } from '../shell/QueryState';
import { NoPage } from '../shell/NoPage';
import { PageFrame } from '../shell/PageFrame';
import { Waiting } from '../shell/Waiting';
import { Tip } from '../help/Tip';
import { useLive } from '../base/core/useLive';
import { placesQuery } from '../data/yard';
import { cloverleafInput } from './barrelDraft';
import {
  coursePath,
  coursesQuery,
  layQuery,
  type BarrelPlan,
  type Course,
  type Lay,
} from '../data/ground';
import { SheetDrawn } from './SheetDrawn';
import { SheetTables } from './SheetTables';

/** The setting-out sheet of a barrel course: drawn, in figures, for paper. */
export function SheetPage() {
  const { courseId } = useParams();
  const courses = useQuery(coursesQuery);
  return (
    <PageFrame title="Setting-out sheet">
      <QueryState query={courses}>
        {(all) => {
          const course = all.find(({ course_id }) => course_id === courseId);
          if (course?.plan.kind !== 'barrels') return <NoPage />;
          return <Sheet course={course} plan={course.plan} />;
        }}
      </QueryState>
    </PageFrame>
  );
}

function Sheet({ course, plan }: { course: Course; plan: BarrelPlan }) {
  const places = useQuery(placesQuery);
  const lay = useQuery(layQuery(course.place_id));
  const place = places.data?.find(({ place_id }) => place_id === course.place_id);
  return (
    <QueryState query={lay}>
      {(drawn) => (
        <>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'baseline' }}>
            <Typography variant="h1">{course.name}</Typography>
            <Typography>{place?.name}</Typography>
            <Box sx={{ ml: 'auto', display: 'flex', gap: 1, '@media print': { display: 'none' } }}>
              <Button component={Link} to={coursePath(course.course_id)}>
                Back to the plan
              </Button>
              <Button variant="contained" onClick={() => window.print()}>
                Print
              </Button>
            </Box>
          </Box>
          <Measured plan={plan} lay={drawn} />
        </>
      )}
    </QueryState>
  );
}

function Measured({ plan, lay }: { plan: BarrelPlan; lay: Lay | null }) {
  const way = useLive('cloverleaf', cloverleafInput(plan, lay));
  const tapes = useLive('setting-out', {
    course: plan.measures,
    first: plan.first,
    placing: plan.placing,
    moved: plan.moved as never,
    lay,
  });
  const [ridden, sheet] = [way.output, tapes.output];
  const wrong = way.error ?? tapes.error;
  if (wrong)
    return (
      <Typography role="alert" sx={{ color: 'error.main', mt: 2 }}>
        This course can&apos;t be set out as it is. {wrong}
      </Typography>
    );
  if (!ridden || !sheet) return <Waiting label="Measuring" />;
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 3,
        mt: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(0, 1fr)' },
        '@media print': { gridTemplateColumns: '46% 54%', gap: 2 },
      }}
    >
      <Box>
        <SheetDrawn lay={lay} ridden={ridden} sheet={sheet} />
        <Tip of="plan" />
      </Box>
      <SheetTables sheet={sheet} ridden={ridden} />
    </Box>
  );
}
