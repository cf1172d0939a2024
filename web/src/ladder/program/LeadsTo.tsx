import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../../base/api/client';
import { useSave } from '../../data/save';
import { Section } from '../../shell/Section';
import { LevelsToHold } from '../LevelsToHold';
import { programsQuery } from '../../data/programs';

/** The levels a program leads to; a horse's goal takes them over with one tap. */
export function LeadsTo({ programId }: { programId: string }) {
  const programs = useQuery(programsQuery);
  const set = useSave((levels: Schemas['Level'][]) =>
    answer(
      client.PUT('/api/programs/{program_id}/leads-to', {
        params: { path: { program_id: programId } },
        body: { levels },
      }),
    ),
  );
  const known = programs.data?.find(({ program_id }) => program_id === programId);
  if (!known) return null;
  return (
    <Section
      title="Leads to"
      intro="What a horse of this program is to hold in the end. Its goal takes that over, and the road says when it is likely there."
    >
      <LevelsToHold
        of={known.name}
        levels={known.leads_to}
        saving={set.isPending}
        onLevels={set.mutate}
      />
      {set.isError && <Typography role="alert">{set.error.message}</Typography>}
    </Section>
  );
}
