import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../base/api/client';
import { QueryState } from '../shell/QueryState';
import { Section } from '../shell/Section';
import { shortDay } from '../base/words/days';
import { count } from '../base/words/plain';
import { bitChangesQuery, changePath, type PieceForHorse } from '../data/tack';

interface Props {
  horseId: string;
  pieces: PieceForHorse[];
}

/** How the bit was changed before, step by step. */
export function BitChanges({ horseId, pieces }: Props) {
  const changes = useQuery(bitChangesQuery(horseId));
  return (
    <Section title="Changes of bit">
      <QueryState query={changes}>
        {(data) => (
          <>
            {data.changes.length === 0 && (
              <Typography sx={{ maxWidth: 560 }}>
                None yet. &ldquo;Change to it&rdquo; beside a piece leads you through, step by step.
              </Typography>
            )}
            {data.changes.map((change) => (
              <OneChange key={change.change_id} horseId={horseId} change={change} pieces={pieces} />
            ))}
          </>
        )}
      </QueryState>
    </Section>
  );
}

function OneChange({ horseId, change, pieces }: Props & { change: Schemas['BitChangeShown'] }) {
  const bothered = change.steps.filter(({ answer }) => answer === 'bothered').length;
  const milder = pieces.find(({ gear_id }) => gear_id === change.milder_gear_id);
  const goesOn = change.next.what === 'take' || change.next.what === 'adjust';
  return (
    <Box sx={{ borderTop: '1px solid', borderColor: 'divider', py: 1.5, maxWidth: 720 }}>
      <Typography>
        <strong>{change.gear}</strong>, {shortDay(change.day)}: {count(change.steps.length, 'step')}
        {bothered > 0 && `, bothered ${count(bothered, 'time')}`}
      </Typography>
      <Typography>{change.says[0]}</Typography>
      <Box sx={{ display: 'flex', gap: 1, mt: 0.5 }}>
        {goesOn && (
          <Button component={Link} to={changePath(horseId, change.gear_id)}>
            Go on
          </Button>
        )}
        {change.next.what === 'milder' && milder && milder.stopped.length === 0 && (
          <Button component={Link} to={changePath(horseId, milder.gear_id)}>
            One step milder: {milder.name}
          </Button>
        )}
      </Box>
    </Box>
  );
}
