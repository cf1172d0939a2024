import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { saidOfAll } from '../base/form/problems';
import { QueryState } from '../shell/QueryState';
import { NoPage } from '../shell/NoPage';
import { PageFrame } from '../shell/PageFrame';
import { Section } from '../shell/Section';
import { useWho } from '../data/who';
import { useLive } from '../base/core/useLive';
import {
  areaInWords,
  courseWords,
  fenceWords,
  footingWords,
  groundInWords,
} from '../base/words/ground';
import { placeWords } from '../base/words/yard';
import { placesQuery } from '../data/yard';
import { CourseOnPlan } from './CourseOnPlan';
import { LayDrawn } from './LayDrawn';
import { PlanView } from './PlanView';
import {
  coursePath,
  coursesQuery,
  drawPath,
  layQuery,
  newCoursePath,
  useDrawLay,
  usePutCourseAway,
  useTakeLayAway,
  type Course,
  type CoursePlan,
  type Lay,
} from '../data/ground';
import { Tip } from '../help/Tip';

/** A place: how it lies, and what is set out in it. */
export function PlacePage() {
  const { placeId = '' } = useParams();
  const places = useQuery(placesQuery);
  const lay = useQuery(layQuery(placeId));
  const courses = useQuery(coursesQuery);
  const { decides } = useWho();
  return (
    <PageFrame title="Place">
      <QueryState query={places}>
        {(all) => {
          const place = all.find(({ place_id }) => place_id === placeId);
          if (!place) return <NoPage />;
          return (
            <>
              <Typography variant="h1">{place.name}</Typography>
              <Typography sx={{ color: 'text.secondary' }}>{placeWords[place.kind]}</Typography>
              <QueryState query={lay}>
                {(drawn) =>
                  drawn ? (
                    <Drawn lay={drawn} courses={ofPlace(courses.data ?? [], placeId)} />
                  ) : (
                    <Typography sx={{ mt: 2, maxWidth: 560 }}>
                      Not drawn yet. Draw it to scale once, and barrels, drills and trail courses
                      can be fitted in and set out with a tape.
                    </Typography>
                  )
                }
              </QueryState>
              {decides && <Drawing key={placeId} placeId={placeId} lay={lay.data ?? null} />}
              <QueryState query={courses}>
                {(known) => <Courses placeId={placeId} courses={inPlace(known, placeId)} />}
              </QueryState>
            </>
          );
        }}
      </QueryState>
    </PageFrame>
  );
}

/** Drawn, changed, taken away; and what was taken away comes back. */
function Drawing({ placeId, lay }: { placeId: string; lay: Lay | null }) {
  const [taken, setTaken] = useState<Lay>();
  const take = useTakeLayAway(placeId);
  const draw = useDrawLay(placeId);
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 2, alignItems: 'center' }}>
      <Button
        component={Link}
        to={drawPath(placeId)}
        variant={lay ? 'outlined' : 'contained'}
        sx={{ minHeight: 56 }}
      >
        {lay ? 'Change the drawing' : 'Draw the place'}
      </Button>
      {lay && (
        <Button
          disabled={take.isPending}
          onClick={() => take.mutate(undefined, { onSuccess: () => setTaken(lay) })}
          sx={{ minHeight: 56 }}
        >
          Take the drawing away
        </Button>
      )}
      {!lay && taken && (
        <Typography role="status">
          The drawing is gone.{' '}
          <Button disabled={draw.isPending} onClick={() => draw.mutate(taken)}>
            Undo
          </Button>
        </Typography>
      )}
      {(take.error ?? draw.error) && (
        <Typography role="alert" sx={{ color: 'error.main' }}>
          {saidOfAll(take.error ?? draw.error, [])}
        </Typography>
      )}
    </Box>
  );
}

const inPlace = (courses: Course[], placeId: string) =>
  courses.filter(({ place_id }) => place_id === placeId);

const ofPlace = (courses: Course[], placeId: string) =>
  inPlace(courses, placeId).filter(({ put_away_at }) => put_away_at == null);

function Drawn({ lay, courses }: { lay: Lay; courses: Course[] }) {
  const [search] = useSearchParams();
  const shown = courses.find(({ course_id }) => course_id === search.get('show')) ?? courses[0];
  const measured = useLive('lay', { lay }).output;
  return (
    <Box
      sx={{
        mt: 2,
        display: 'grid',
        gap: 3,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(0, 1fr)' },
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <PlanView shows={lay.outline} label="Plan of the place" height={560}>
          <LayDrawn named lay={lay} measured={lay.outline.length < 16} />
          {shown && <CourseOnPlan key={shown.course_id} course={shown} lay={lay} />}
        </PlanView>
        <Tip of="plan" />
      </Box>
      <Box
        component="dl"
        sx={{
          m: 0,
          '& dt': { color: 'text.secondary' },
          '& dd': { m: 0, mb: 1.5, fontSize: '1.15rem' },
        }}
      >
        {measured && (
          <>
            <dt>Inside the fence</dt>
            <dd>{areaInWords(measured.area_sq_ft)}</dd>
            <dt>Along the fence</dt>
            <dd>{groundInWords(measured.around_ft)}</dd>
          </>
        )}
        <dt>Fence</dt>
        <dd>{fenceWords[lay.fence]}</dd>
        <dt>Ground</dt>
        <dd>{footingWords[lay.footing]}</dd>
        {(lay.posts ?? []).length > 0 && (
          <>
            <dt>Posts to measure from</dt>
            <dd>{(lay.posts ?? []).map(({ name }) => name).join(', ')}</dd>
          </>
        )}
      </Box>
    </Box>
  );
}

function Courses({ placeId, courses }: { placeId: string; courses: Course[] }) {
  const { decides } = useWho();
  const away = usePutCourseAway();
  const [search, setSearch] = useSearchParams();
  return (
    <Section title="Courses and drills">
      {courses.length === 0 && (
        <Typography>
          Nothing is set out here yet. Start with the barrel course or a drill.
        </Typography>
      )}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, maxWidth: 720 }}>
        {courses.map((course) => {
          const isAway = course.put_away_at != null;
          return (
            <Box
              component="li"
              key={course.course_id}
              sx={{
                borderTop: '1px solid',
                borderColor: 'divider',
                py: 1,
                display: 'flex',
                flexWrap: 'wrap',
                alignItems: 'center',
                gap: 1,
              }}
            >
              <Box sx={{ flex: '1 1 200px' }}>
                <Typography variant="h3">
                  <Link to={coursePath(course.course_id)}>{course.name}</Link>
                </Typography>
                <Typography variant="body2" sx={{ color: 'text.secondary' }}>
                  {courseWords[course.plan.kind]}
                  {isAway && ', put away'}
                </Typography>
              </Box>
              {!isAway && course.plan.kind !== 'trail' && (
                <Button
                  aria-label={`Show ${course.name} on the plan`}
                  aria-pressed={search.get('show') === course.course_id}
                  onClick={() => setSearch({ show: course.course_id }, { replace: true })}
                >
                  On the plan
                </Button>
              )}
              {decides && (
                <Button
                  aria-label={isAway ? `Use ${course.name} again` : `Put ${course.name} away`}
                  onClick={() => away.mutate({ courseId: course.course_id, away: !isAway })}
                >
                  {isAway ? 'Use again' : 'Put away'}
                </Button>
              )}
            </Box>
          );
        })}
      </Box>
      {decides && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1.5 }}>
          {(Object.entries(courseWords) as [CoursePlan['kind'], string][]).map(([kind, words]) => (
            <Button
              key={kind}
              component={Link}
              to={newCoursePath(placeId, kind)}
              sx={{ minHeight: 56 }}
            >
              Add a {words.toLowerCase()}
            </Button>
          ))}
        </Box>
      )}
    </Section>
  );
}
