import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { ladderQuery } from '../../data/ladder';
import { levelQuery } from '../../data/level';
import type { Level } from '../../outbox/keep';

/**
 * The level that is asked, and when an answer to it is soft. Without signal it comes
 * from the ladder that was fetched before.
 */
export function useAsked(horseId: string, { skill, rung }: Level) {
  const own = useQuery(levelQuery({ horseId, skill, rung }));
  const ladder = useQuery(ladderQuery);
  const asked = useMemo(() => {
    if (own.data) {
      const { level, gate, judgement } = own.data;
      return { level, gate, state: judgement.state };
    }
    const known = ladder.data?.levels.find(
      ({ level }) => level.skill === skill && level.rung === rung,
    );
    return known && { ...known, state: undefined };
  }, [own.data, ladder.data, skill, rung]);
  return { asked, looking: !asked && (own.isFetching || ladder.isFetching) };
}
