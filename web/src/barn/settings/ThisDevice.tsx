import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { hasCore } from '../../base/core/core';
import { Section } from '../../shell/Section';
import { useQueue } from '../../outbox/queue';
import { useWho } from '../../data/who';
import { count } from '../../base/words/plain';

/** What this device can do without signal, and what it still holds. */
export function ThisDevice() {
  const { records } = useWho();
  const { db } = useQueue();
  const waiting = useLiveQuery(() => db.reps.where('state').equals('waiting').count(), [db]) ?? 0;
  const kept = usePersisted();
  const facts: [string, string][] = [
    [
      'Without signal',
      hasCore
        ? 'Verdicts, cards and intakes are worked out here.'
        : 'Verdicts need signal: this installation has no core for the browser.',
    ],
    [
      'Not sent yet',
      waiting === 0 ? 'Nothing; all of it is with the barn.' : count(waiting, 'ask'),
    ],
    [
      'Storage',
      kept === undefined
        ? 'Looking…'
        : kept
          ? 'Kept for good: the browser does not clear it by itself.'
          : 'The browser may clear it when the device runs full. Install Cavesson from the browser menu to keep it.',
    ],
    ['Version', __BUILD__],
  ];
  return (
    <Section title="This device">
      <Box
        component="dl"
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', sm: 'auto 1fr' },
          gap: '4px 20px',
          maxWidth: 760,
          m: 0,
        }}
      >
        {facts.map(([name, fact]) => (
          <Box key={name} sx={{ display: 'contents' }}>
            <Typography component="dt" sx={{ fontWeight: 700 }}>
              {name}
            </Typography>
            <Typography component="dd" sx={{ m: 0, mb: { xs: 1, sm: 0 } }}>
              {fact}
            </Typography>
          </Box>
        ))}
      </Box>
      {records && (
        <Button component={Link} to="/devices" sx={{ mt: 1.5 }}>
          Devices
        </Button>
      )}
    </Section>
  );
}

function usePersisted(): boolean | undefined {
  const [kept, setKept] = useState<boolean>();
  useEffect(() => {
    navigator.storage?.persisted?.().then(setKept, () => setKept(false));
  }, []);
  return kept;
}
