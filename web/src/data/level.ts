import { queryOptions } from '@tanstack/react-query';
import { answer, client } from '../base/api/client';

/** A level of one horse, as its address names it. */
export interface HorseLevel {
  horseId: string;
  skill: string;
  rung: string;
  /** The date to judge for; today when left out. */
  on?: string;
}

function params({ horseId, skill, rung, on }: HorseLevel) {
  return { path: { horse_id: horseId, skill, rung }, query: on ? { on } : {} };
}

const keyOf = ({ horseId, ...level }: HorseLevel) => ['level', horseId, level] as const;

export const levelQuery = (level: HorseLevel) =>
  queryOptions({
    queryKey: keyOf(level),
    queryFn: () =>
      answer(client.GET('/api/horses/{horse_id}/levels/{skill}/{rung}', { params: params(level) })),
  });

export const stripsQuery = (level: HorseLevel) =>
  queryOptions({
    queryKey: [...keyOf(level), 'strips'],
    queryFn: () =>
      answer(
        client.GET('/api/horses/{horse_id}/levels/{skill}/{rung}/strips', {
          params: params(level),
        }),
      ),
  });

export function levelPath({ horseId, skill, rung, on }: HorseLevel, page = ''): string {
  return `/horses/${horseId}/levels/${skill}/${rung}${page}${on ? `?on=${on}` : ''}`;
}
