import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';

export type HorseRoad = Schemas['HorseRoad'];
export type RoadInput = Schemas['RoadInput'];
export type RoadOutput = Schemas['RoadOutput'];
export type GoalRoad = Schemas['GoalRoad'];
export type Level = Schemas['Level'];

export const roadPath = (horseId: string) => `/horses/${horseId}/road`;

export const roadQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['horse', horseId, 'road'],
    queryFn: () =>
      answer(
        client.GET('/api/horses/{horse_id}/road', { params: { path: { horse_id: horseId } } }),
      ),
  });

/** Dates at risk over all horses. */
export const datesAtRiskQuery = queryOptions({
  queryKey: ['datesAtRisk'],
  queryFn: () => answer(client.GET('/api/dates-at-risk')),
});
