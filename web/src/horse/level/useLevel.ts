import { useParams, useSearchParams } from 'react-router';
import type { HorseLevel } from '../../data/level';

/** The level that the address names. */
export function useLevel(): HorseLevel {
  const { horseId = '', skill = '', rung = 'stand' } = useParams();
  const [search] = useSearchParams();
  const on = search.get('on') ?? undefined;
  return { horseId, skill, rung, on };
}
