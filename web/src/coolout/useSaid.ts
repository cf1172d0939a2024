import { useQuery } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import { calculate, CoreBroke } from '../core/core';

type Said = Schemas['CoolSaid'];

/** What the readings say: the core in the page, or without one the server. */
async function says(
  readings: Schemas['CoolReading'][],
  sex: Schemas['Sex'] | null | undefined,
): Promise<Said> {
  try {
    return await calculate('cool-out', { readings, sex });
  } catch (error) {
    if (!(error instanceof CoreBroke)) throw error;
    const params = { path: { name: 'cool-out' } };
    const body = { readings, sex } as never;
    return (await answer(client.POST('/api/calc/{name}', { params, body }))) as unknown as Said;
  }
}

export function useSaid(
  readings: Schemas['CoolReading'][],
  sex: Schemas['Sex'] | null | undefined,
) {
  const said = useQuery({
    queryKey: ['cool-out says', readings, sex],
    queryFn: () => says(readings, sex),
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  return said.data;
}
