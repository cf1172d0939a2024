import { useQuery } from '@tanstack/react-query';
import { answer, client } from '../../base/api/client';
import { FormSelect } from '../../base/form/FormSelect';
import { useSave } from '../../data/save';
import { programsQuery } from '../../data/programs';

const most = 7;

/** How many rides a week the horses of a program want; kept as soon as it is picked. */
export function RidesAWeek({ programId }: { programId: string }) {
  const programs = useQuery(programsQuery);
  const set = useSave((rides_a_week: number) =>
    answer(
      client.PUT('/api/programs/{program_id}/rides-a-week', {
        params: { path: { program_id: programId } },
        body: { rides_a_week },
      }),
    ),
  );
  const known = programs.data?.find(({ program_id }) => program_id === programId);
  if (!known) return null;
  const choices = Array.from({ length: Math.max(most, known.rides_a_week) + 1 }, (_, rides) =>
    String(rides),
  );
  return (
    <FormSelect
      label="Rides a week"
      value={String(known.rides_a_week)}
      of={choices.map((rides): [string, string] => [rides, rides])}
      onPick={(rides) => set.mutate(Number(rides))}
      wrong={set.error?.message}
      helperText="For each horse on it."
    />
  );
}
