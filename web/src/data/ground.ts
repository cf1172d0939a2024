import { queryOptions, useQueryClient } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import { answer, client, type Schemas } from '../base/api/client';
import { useSave } from './save';
import { batchForm } from './batchForm';
import { ladderQuery, levelIn } from './ladder';

export type Lay = Schemas['GroundLay'];
export type Course = Schemas['CourseOfPlace'];
export type CoursePlan = Schemas['CoursePlan'];
export type BarrelPlan = Extract<CoursePlan, { kind: 'barrels' }>;
export type DrillPlan = Extract<CoursePlan, { kind: 'drill' }>;
export type TrailPlan = Extract<CoursePlan, { kind: 'trail' }>;

export const placePath = (placeId: string) => `/yard/places/${placeId}`;
export const drawPath = (placeId: string) => `${placePath(placeId)}/draw`;
export const newCoursePath = (placeId: string, kind: CoursePlan['kind']) =>
  `${placePath(placeId)}/new/${kind}`;
export const coursePath = (courseId: string) => `/yard/courses/${courseId}`;
export const sheetPath = (courseId: string) => `${coursePath(courseId)}/sheet`;

export const layQuery = (placeId: string) =>
  queryOptions({
    queryKey: ['lay', placeId],
    queryFn: async () => {
      const of = { params: { path: { place_id: placeId } } };
      const { lay } = await answer(client.GET('/api/places/{place_id}/lay', of));
      return lay ?? null;
    },
  });

export const coursesQuery = queryOptions({
  queryKey: ['courses'],
  queryFn: () => answer(client.GET('/api/courses')),
});

export const trailQuery = (horseId: string, courseId: string) =>
  queryOptions({
    queryKey: ['trail', horseId, courseId],
    queryFn: () =>
      answer(
        client.GET('/api/horses/{horse_id}/trail/{course_id}', {
          params: { path: { horse_id: horseId, course_id: courseId } },
        }),
      ),
    enabled: horseId !== '',
  });

export const useDrawLay = (placeId: string) =>
  useSave<Lay>((body) =>
    answer(
      client.PUT('/api/places/{place_id}/lay', { params: { path: { place_id: placeId } }, body }),
    ),
  );

export const useTakeLayAway = (placeId: string) =>
  useSave<void>(() =>
    answer(
      client.DELETE('/api/places/{place_id}/lay', { params: { path: { place_id: placeId } } }),
    ),
  );

interface Put {
  /** None for a new one. */
  courseId?: string;
  placeId: string;
  name: string;
  plan: CoursePlan;
}

export const usePutCourse = () =>
  useSave<Put, { course_id: string } | undefined>(({ courseId, placeId, name, plan }) =>
    courseId
      ? answer(
          client.PUT('/api/courses/{course_id}', {
            params: { path: { course_id: courseId } },
            body: { name, plan },
          }),
        )
      : answer(client.POST('/api/courses', { body: { place_id: placeId, name, plan } })),
  );

export const usePutCourseAway = () =>
  useSave<{ courseId: string; away: boolean }>(({ courseId, away }) => {
    const of = { params: { path: { course_id: courseId } } };
    return away
      ? answer(client.POST('/api/courses/{course_id}/put-away', of))
      : answer(client.POST('/api/courses/{course_id}/take-out', of));
  });

export type RunsOfHorse = Schemas['RunsOfHorse'];

export const runsPath = (horseId: string) => `/horses/${horseId}/runs`;

export const runsQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['runs', horseId],
    queryFn: () =>
      answer(
        client.GET('/api/horses/{horse_id}/runs', { params: { path: { horse_id: horseId } } }),
      ),
  });

interface TypedRun {
  personId: string;
  horseId: string;
  rung: string;
  /** When the ride of it ended. */
  endedAt: Date;
  /** It was marked in a film: who rides there. */
  fromTapeOf?: string;
  measure: Schemas['Measure'];
}

/** A typed run is a ride of a minute with one ask. */
const rideMs = 60_000;

export const useSendRun = () => {
  const queries = useQueryClient();
  return useSave<TypedRun>(async (run) => {
    const { personId, horseId, rung, endedAt, fromTapeOf, measure } = run;
    const [rideId, blockId] = [uuidv7(), uuidv7()];
    const startedAt = new Date(endedAt.getTime() - rideMs).toISOString();
    const pattern = levelIn(await queries.ensureQueryData(ladderQuery), 'timed_pattern');
    const level = { skill: pattern?.skill ?? '', rung };
    return answer(
      client.POST('/api/batches', {
        params: { header: { 'cavesson-batch-form': Number(batchForm) } },
        body: {
          person_id: personId,
          sent_at: new Date().toISOString(),
          rides: [
            {
              ride_id: rideId,
              horse_id: horseId,
              started_at: startedAt,
              finished_after_ms: rideMs,
              ...(fromTapeOf && { from_tape: { rider_id: fromTapeOf } }),
              blocks: [{ block_id: blockId, position: 0, ...level }],
            },
          ],
          reps: [
            {
              rep_id: uuidv7(),
              ride_id: rideId,
              block_id: blockId,
              ...level,
              side: 'both',
              sequence: 0,
              asked_after_ms: 0,
              asked_at: startedAt,
              measure,
            },
          ],
        },
      }),
    );
  });
};
