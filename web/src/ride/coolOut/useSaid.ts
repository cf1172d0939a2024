import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../base/api/client';
import { calculateAnywhere } from '../../base/core/anywhere';

/** What the readings say. */
export function useSaid(
  readings: Schemas['CoolReading'][],
  sex: Schemas['Sex'] | null | undefined,
) {
  const said = useQuery({
    queryKey: ['coolOutSays', readings, sex],
    queryFn: () => calculateAnywhere('cool-out', { readings, sex }),
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  return said.data;
}
