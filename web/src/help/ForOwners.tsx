import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { LadderKey } from '../draw/LadderKey';

/** How it judges, for whoever owns a horse and never read our books. */
export function ForOwners() {
  return (
    <>
      <Typography variant="h1">How it judges</Typography>
      <Part title="What is written down">
        Your trainer asks your horse for something, a bend, a stop, a turn, and lets go the moment
        your horse gives. Each ask is written down from the saddle: which side, how long it took,
        how much hand, and whether the answer was soft. Everything you see comes from those asks.
      </Part>
      <Part title="The ladder">
        Training goes up a ladder, and every rung is a skill at one difficulty: soft standing still,
        then at the walk, then faster. A rung is held when it was shown on several days, on both
        sides, with the first ask of the day among them, which is the one nobody warmed up.
        <Box sx={{ mt: 1 }}>
          <LadderKey />
        </Box>
      </Part>
      <Part title="Going back is not failing">
        A rung that goes badly is moved back, and your horse works on what lies under it. Holes
        under a skill cost more time later than going back does now. Horses don&apos;t learn in a
        straight line, and a young one isn&apos;t hurried.
      </Part>
      <Part title="Even or one-sided">
        Most horses have a stiffer side. The report says so only when it is very likely real, and
        says otherwise that the difference may be chance.
      </Part>
      <Part title="The road to a date">
        A date has a range, not a promise: from the day by which one future in ten is there to the
        day by which nine in ten are. It moves as your horse does. A date at risk is better known
        early.
      </Part>
      <Part title="What it can't say">
        Nothing here is a vet&apos;s finding. Where something should be looked at, it says who
        should look. What your trainer feels and sees comes before any figure; your trainer has the
        last word, and the report then says that it was their call.
      </Part>
    </>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section" aria-label={title} sx={{ mt: 3, maxWidth: 720 }}>
      <Typography variant="h2">{title}</Typography>
      <Typography component="div" sx={{ mt: 0.5, fontSize: '1.0625rem' }}>
        {children}
      </Typography>
    </Box>
  );
}
