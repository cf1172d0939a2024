import { useParams, useSearchParams } from 'react-router';
import type { Schemas } from '../api/client';
import type { HorseLevel } from './queries';

/** The level that the address names. */
export function useLevel(): HorseLevel {
  const { horseId = '', skill = '', gait = 'stand' } = useParams();
  const [search] = useSearchParams();
  const on = search.get('on') ?? undefined;
  return { horseId, skill, gait: gait as Schemas['Gait'], on };
}
