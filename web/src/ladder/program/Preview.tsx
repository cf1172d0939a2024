import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { useDebounce } from 'use-debounce';
import type { Schemas } from '../../base/api/client';
import { VerdictMark } from '../../draw/VerdictMark';
import { Section } from '../../shell/Section';
import { horsesQuery } from '../../data/horse';
import { levelPath } from '../../data/level';
import { verdictWords } from '../../base/words/answers';
import { stateWords } from '../../base/words/states';
import type { Program } from '../../data/programs';
import { previewQuery } from '../../data/programs';
import { count } from '../../base/words/plain';
import { Waiting } from '../../shell/Waiting';

/** Typing is waited out for so long, in milliseconds. */
const pause = 250;

/** What the program, as it stands in the editor, would change on the barn's own horses. */
export function Preview({ content, programId }: { content: Program; programId: string | null }) {
  const [everybody, setEverybody] = useState(programId === null);
  const horses = useQuery(horsesQuery);
  const [settled] = useDebounce(content, pause);
  const named = everybody ? (horses.data ?? []).map(({ horse_id }) => horse_id) : null;
  const preview = useQuery({
    ...previewQuery(settled, programId, named),
    enabled: !everybody || horses.isSuccess,
  });
  return (
    <Section
      title="What it would change"
      intro={
        everybody ? 'If every horse in the barn were on it as it is now.' : 'For the horses on it.'
      }
    >
      {programId !== null && (
        <Box role="group" aria-label="On which horses" sx={{ display: 'flex', gap: 1, mb: 1 }}>
          <Button
            size="small"
            variant={everybody ? 'outlined' : 'contained'}
            aria-pressed={!everybody}
            onClick={() => setEverybody(false)}
          >
            Horses on it
          </Button>
          <Button
            size="small"
            variant={everybody ? 'contained' : 'outlined'}
            aria-pressed={everybody}
            onClick={() => setEverybody(true)}
          >
            Every horse
          </Button>
        </Box>
      )}
      <Box role="status" aria-busy={preview.isFetching}>
        {preview.isError && (
          <Typography sx={{ color: 'error.main' }}>{preview.error.message}</Typography>
        )}
        {preview.isPending && <Waiting small label="Judging" />}
        {preview.data && !preview.isError && <Changes preview={preview.data} />}
      </Box>
    </Section>
  );
}

function Changes({ preview }: { preview: Schemas['Preview'] }) {
  const { horses, changes } = preview;
  const judged = `${count(horses, 'horse')} judged`;
  if (horses === 0) return <Typography>No horse is on it yet.</Typography>;
  if (changes.length === 0) return <Typography>{judged}: no verdict would change.</Typography>;
  return (
    <>
      <Typography sx={{ fontWeight: 700 }}>
        {judged}: {count(changes.length, 'level')} would change.
      </Typography>
      <Box
        component="ul"
        sx={{ listStyle: 'none', m: 0, p: 0, maxHeight: { lg: 430 }, overflowY: 'auto' }}
      >
        {changes.map((change) => (
          <Box
            component="li"
            key={`${change.horse_id} ${change.level.name}`}
            sx={{ py: 0.75, borderTop: '1px solid', borderColor: 'divider' }}
          >
            <Box
              component={Link}
              to={levelPath({ horseId: change.horse_id, ...change.level })}
              sx={{ color: 'text.primary' }}
            >
              <strong>{change.horse}</strong>: {change.level.name}
            </Box>
            <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'center' }}>
              <VerdictMark verdict={change.verdict_now} size={20} />
              <Typography variant="body2">{said(change.verdict_now, change.state_now)}</Typography>
              <span aria-hidden="true">→</span>
              <VerdictMark verdict={change.verdict_then} size={20} />
              <Typography variant="body2" sx={{ fontWeight: 700 }}>
                {said(change.verdict_then, change.state_then)}
              </Typography>
            </Box>
          </Box>
        ))}
      </Box>
    </>
  );
}

const said = (verdict: Schemas['Verdict'], state: Schemas['State']) =>
  `${verdictWords[verdict].toLowerCase()}, ${stateWords[state]}`;
