import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';
import { QueryState } from '../shell/QueryState';
import { NoPage } from '../shell/NoPage';
import { PageFrame } from '../shell/PageFrame';
import { Waiting } from '../shell/Waiting';
import { courseWords } from '../base/words/ground';
import { placesQuery } from '../data/yard';
import { newBarrels } from './barrelDraft';
import { BarrelPlanner } from './BarrelPlanner';
import { DrillPlanner } from './DrillPlanner';
import { newDrill } from './drillDraft';
import {
  coursesQuery,
  layQuery,
  placePath,
  type Course,
  type CoursePlan,
  type Lay,
} from '../data/ground';
import { newTrail } from './trailDraft';
import { TrailPlanner } from './TrailPlanner';
import { useDrillBook } from './useDrillBook';

const kinds = Object.keys(courseWords) as CoursePlan['kind'][];

/** A course that is new, or that was saved. */
export function CoursePage() {
  const { courseId, placeId, kind } = useParams();
  const courses = useQuery(coursesQuery);
  const of = kinds.find((known) => known === kind);
  return (
    <PageFrame title="Course">
      <QueryState query={courses}>
        {(all) => {
          const course = all.find(({ course_id }) => course_id === courseId);
          const at = course?.place_id ?? placeId;
          if (!at || (courseId && !course) || (!courseId && !of)) return <NoPage />;
          return <InPlace placeId={at} course={course} kind={course?.plan.kind ?? of!} all={all} />;
        }}
      </QueryState>
    </PageFrame>
  );
}

interface InPlaceProps {
  placeId: string;
  course?: Course;
  kind: CoursePlan['kind'];
  all: Course[];
}

function InPlace({ placeId, course, kind, all }: InPlaceProps) {
  const places = useQuery(placesQuery);
  const lay = useQuery(layQuery(placeId));
  return (
    <QueryState query={places}>
      {(known) => {
        const place = known.find(({ place_id }) => place_id === placeId);
        if (!place) return <NoPage />;
        return (
          <>
            <Typography variant="h1">{course?.name ?? courseWords[kind]}</Typography>
            <Typography>
              <Link to={placePath(placeId)}>{place.name}</Link>
            </Typography>
            <QueryState query={lay}>
              {(drawn) => (
                <Planner
                  key={course?.course_id ?? kind}
                  placeId={placeId}
                  course={course}
                  kind={kind}
                  all={all}
                  lay={drawn}
                />
              )}
            </QueryState>
          </>
        );
      }}
    </QueryState>
  );
}

function Planner({ placeId, course, kind, all, lay }: InPlaceProps & { lay: Lay | null }) {
  const [search, setSearch] = useSearchParams();
  const plan = course?.plan;
  const of = { placeId, lay, course };
  const book = useDrillBook();
  if (kind === 'drill')
    return book ? (
      <DrillPlanner
        {...of}
        book={book}
        first={
          plan?.kind === 'drill' ? plan : newDrill(lay, book, search.get('drill') ?? undefined)
        }
      />
    ) : (
      <Waiting label="Opening" />
    );
  if (kind === 'trail')
    return <TrailPlanner {...of} first={plan?.kind === 'trail' ? plan : newTrail(lay)} />;
  const others = all.filter(
    ({ course_id, place_id, plan: other, put_away_at }) =>
      other.kind === 'barrels' &&
      place_id === placeId &&
      course_id !== course?.course_id &&
      put_away_at == null,
  );
  return (
    <BarrelPlanner
      {...of}
      first={plan?.kind === 'barrels' ? plan : newBarrels(lay)}
      others={others}
      other={search.get('with') ?? ''}
      onOther={(courseId) => setSearch(courseId ? { with: courseId } : {}, { replace: true })}
    />
  );
}
