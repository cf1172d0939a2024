import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { answer, client, type Schemas } from '../../base/api/client';
import { flagHeard } from './flagNow';

export type FlagSaid = NonNullable<Schemas['FlagNow']['flag']>;
export type Order = Schemas['FlagOrder'];

/** How often it is looked for while none is there. */
const lookMs = 2_000;

const flagQuery = {
  queryKey: ['flag'] as const,
  queryFn: () => answer(client.GET('/api/flag')),
};

/** The flag as it goes, while the page shows it; null where none is there. */
export function useFlag() {
  const queries = useQueryClient();
  const [live, setLive] = useState<FlagSaid | null>(null);
  const now = useQuery({
    ...flagQuery,
    refetchInterval: live ? false : lookMs,
    gcTime: 0,
  });
  const there = now.data?.flag != null;
  useEffect(() => {
    if (!there) return;
    const events = new EventSource('/api/flag/live');
    let silent: ReturnType<typeof setTimeout> | undefined;
    const gone = () => {
      setLive(null);
      void queries.invalidateQueries({ queryKey: flagQuery.queryKey });
    };
    events.addEventListener('flag', (event: MessageEvent<string>) => {
      const said = JSON.parse(event.data) as FlagSaid;
      flagHeard(said.at.at_ft, said.at.speed_ft_s);
      setLive(said);
      clearTimeout(silent);
      silent = setTimeout(gone, lookMs);
    });
    events.addEventListener('error', gone);
    return () => {
      clearTimeout(silent);
      events.close();
    };
  }, [there, queries]);
  return there ? (live ?? now.data?.flag ?? null) : null;
}

/** Tells the flag what to do; without signal that fails at once, and is not done later. */
export const useOrders = () =>
  useMutation({
    mutationFn: (order: Order) => answer(client.POST('/api/flag/orders', { body: order })),
    networkMode: 'always',
  });
