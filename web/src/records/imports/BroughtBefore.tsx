import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../../base/api/client';
import { Section } from '../../shell/Section';
import { useWho } from '../../data/who';
import { dayAndClockIn } from '../../base/words/days';
import { capital } from '../../base/words/plain';
import { importsQuery, sheetWords } from '../../data/imports';
import { madeInWords } from './words';

/** Sheets that were brought in, each to be taken back. */
export function BroughtBefore() {
  const imports = useQuery(importsQuery);
  if (!imports.data || imports.data.length === 0) return null;
  return (
    <Section title="Brought in before">
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none', maxWidth: 860 }}>
        {imports.data.map((one) => (
          <One key={one.import_id} one={one} />
        ))}
      </Box>
    </Section>
  );
}

function One({ one }: { one: Schemas['ImportShown'] }) {
  const { time_zone } = useWho();
  const queries = useQueryClient();
  const undo = useMutation({
    mutationFn: () =>
      answer(
        client.DELETE('/api/imports/{import_id}', {
          params: { path: { import_id: one.import_id } },
        }),
      ),
    onSuccess: () => queries.invalidateQueries(),
  });
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: 1.5,
        alignItems: 'center',
        py: 1,
        borderTop: '1px solid',
        borderColor: 'divider',
      }}
    >
      <Box sx={{ flex: '1 1 260px', minWidth: 0 }}>
        <Typography sx={{ overflowWrap: 'anywhere' }}>
          <strong>{sheetWords[one.sheet]}</strong> from {one.name}
        </Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {capital(madeInWords(one.made))}. {one.by}, {dayAndClockIn(time_zone, one.at)}.
        </Typography>
        {undo.isError && (
          <Typography role="alert" sx={{ color: 'error.main' }}>
            {capital(undo.error.message)}
          </Typography>
        )}
      </Box>
      {one.undone_at ? (
        <Typography>Taken back, {dayAndClockIn(time_zone, one.undone_at)}</Typography>
      ) : (
        <Button
          disabled={undo.isPending}
          aria-label={`Take back ${one.name}`}
          onClick={() => undo.mutate()}
        >
          {undo.isPending ? 'Taking it back' : 'Take it back'}
        </Button>
      )}
    </Box>
  );
}
