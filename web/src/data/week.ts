import { queryOptions, useQuery } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';
import { useSave } from './save';

export type WeekShown = Schemas['WeekShown'];
export type Instance = Schemas['WeekInstance'];
export type PlannedRide = Schemas['PlannedRide'];
export type RideTaken = Schemas['RideTaken'];
export type PlanFound = Schemas['PlanFound'];
export type Rules = Schemas['WeekRulesOutput'];
export type SolveAsked = Schemas['SolveAsked'];

export const weekQuery = (day: string) =>
  queryOptions({
    queryKey: ['week', day],
    queryFn: () => answer(client.GET('/api/weeks/{day}', { params: { path: { day } } })),
  });

export const useTakeWeek = (day: string) =>
  useSave((body: Schemas['PlanTaken']) =>
    answer(client.PUT('/api/weeks/{day}', { params: { path: { day } }, body })),
  );

export const beginSolve = (day: string, body: SolveAsked) =>
  answer(client.POST('/api/weeks/{day}/solves', { params: { path: { day } }, body }));

export const stopSolve = (solve_id: string) =>
  answer(client.DELETE('/api/solves/{solve_id}', { params: { path: { solve_id } } }));

/** How far a search is, asked for until it has ended. */
export const useSolve = (solveId: string | undefined) =>
  useQuery({
    queryKey: ['solve', solveId],
    enabled: solveId !== undefined,
    gcTime: 0,
    queryFn: () =>
      answer(
        client.GET('/api/solves/{solve_id}', { params: { path: { solve_id: solveId ?? '' } } }),
      ),
    refetchInterval: ({ state: { data } }) =>
      data && (data.found || data.refused.length > 0) ? false : 300,
  });
