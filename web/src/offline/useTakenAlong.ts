import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { startCore } from '../base/core/core';
import { packQuery } from './pack';
import { penQuery } from '../data/pen';
import { ladderQuery } from '../data/ladder';
import { useWho } from '../data/who';

/** Fetches what the horse is judged by while there is signal, once a ride is begun. */
export function useTakenAlong(horseId: string) {
  const queries = useQueryClient();
  const { records } = useWho();
  useEffect(() => {
    startCore();
    void queries.prefetchQuery(packQuery(horseId));
    void queries.prefetchQuery(ladderQuery);
    if (records) void queries.prefetchQuery(penQuery(horseId));
  }, [queries, horseId, records]);
}
