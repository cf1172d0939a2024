import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';

/** A level of one horse, as its address names it. */
export interface HorseLevel {
  horseId: string;
  skill: string;
  gait: Schemas['Gait'];
  /** The date to judge for; today when left out. */
  on?: string;
}

function params({ horseId, skill, gait, on }: HorseLevel) {
  return { path: { horse_id: horseId, skill, gait }, query: on ? { on } : {} };
}

export const levelQuery = (level: HorseLevel) =>
  queryOptions({
    queryKey: ['level', level],
    queryFn: () =>
      answer(client.GET('/api/horses/{horse_id}/levels/{skill}/{gait}', { params: params(level) })),
  });

export const stripsQuery = (level: HorseLevel) =>
  queryOptions({
    queryKey: ['level', level, 'strips'],
    queryFn: () =>
      answer(
        client.GET('/api/horses/{horse_id}/levels/{skill}/{gait}/strips', {
          params: params(level),
        }),
      ),
  });

export function levelPath({ horseId, skill, gait, on }: HorseLevel, page = ''): string {
  return `/horses/${horseId}/levels/${skill}/${gait}${page}${on ? `?on=${on}` : ''}`;
}
