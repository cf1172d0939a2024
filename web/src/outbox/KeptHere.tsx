import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useLiveQuery } from 'dexie-react-hooks';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { useQueue } from './queue';

/** Dialogs are fetched when the page stands. */
const WhyNotSent = lazy(async () => ({ default: (await import('./WhyNotSent')).WhyNotSent }));

const tag = { whiteSpace: 'nowrap', minHeight: 48, flexShrink: 0 };

/** In words where there is room; a sign and the number on a phone. */
function Said({ sign, count, words }: { sign: string; count: number; words: string }) {
  return (
    <>
      <Box component="span" sx={{ display: { sm: 'none' }, fontSize: '1.1rem' }}>
        {sign} {count}
      </Box>
      <Box component="span" sx={{ display: { xs: 'none', sm: 'inline' } }}>
        {count} {words}
      </Box>
    </>
  );
}

/** Says how much is still only on this device; opens to why. Silent when nothing is. */
export function KeptHere() {
  const { db, storage } = useQueue();
  const [open, setOpen] = useState(false);
  const counts = useLiveQuery(async () => {
    if (storage !== 'ready') return { waiting: 0, refused: 0 };
    const of = async (state: string) => {
      const reps = await db.reps.where({ state }).count();
      const rides = await db.rides.where({ state }).toArray();
      // A ride goes with its asks; alone it counts as one.
      return reps > 0 ? reps : rides.length;
    };
    return { waiting: await of('waiting'), refused: await of('refused') };
  }, [db, storage]);
  const { waiting, refused } = counts ?? { waiting: 0, refused: 0 };
  if (refused > 0) {
    return (
      <Button
        component={Link}
        to="/attention"
        size="small"
        aria-label={`${refused} ${refused === 1 ? 'needs' : 'need'} attention`}
        sx={tag}
      >
        <Said
          sign="!"
          count={refused}
          words={refused === 1 ? 'needs attention' : 'need attention'}
        />
      </Button>
    );
  }
  if (waiting === 0) return null;
  return (
    <>
      <Button
        size="small"
        onClick={() => setOpen(true)}
        aria-label={`${waiting} not sent yet`}
        sx={tag}
      >
        <Said sign="↑" count={waiting} words="not sent yet" />
      </Button>
      {open && (
        <Suspense fallback={null}>
          <WhyNotSent waiting={waiting} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
