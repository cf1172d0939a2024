import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { lazy, Suspense } from 'react';
import { Asked } from '../frame/Asked';
import { PageFrame } from '../frame/PageFrame';
import { useWho } from '../session/who';
import { longDay } from '../words/days';
import { NextUp } from './NextUp';
import { todayQuery } from './queries';
import { lanes, nextUp } from './string';
import { StringLane } from './StringLane';

const OtherHorses = lazy(async () => ({ default: (await import('./OtherHorses')).OtherHorses }));

export function TodayPage() {
  const today = useQuery(todayQuery);
  return (
    <PageFrame title="Today">
      <Asked query={today}>{(data) => <Day today={data} />}</Asked>
    </PageFrame>
  );
}

function Day({ today }: { today: Schemas['Today'] }) {
  const who = useWho();
  const next = who.records ? nextUp(today.string, who.person_id) : undefined;
  const string = lanes(today.string, who.person_id);
  return (
    <>
      <Typography variant="h1" sx={{ mb: 2 }}>
        {longDay(today.day)}
      </Typography>
      {next && <NextUp entry={next} mine={next.rider_id === who.person_id} />}
      {today.string.length === 0 && <NobodyDown anyHorses={today.others.length > 0} />}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: { xs: 3, md: 6 }, mt: 3 }}>
        {string.map(([rider, entries]) => (
          <StringLane
            key={rider}
            rider={rider}
            entries={entries}
            records={who.records}
            next={next}
          />
        ))}
      </Box>
      {today.usual && (
        <Suspense fallback={null}>
          <OtherHorses horses={today.others} usual={today.usual} records={who.records} />
        </Suspense>
      )}
    </>
  );
}

function NobodyDown({ anyHorses }: { anyHorses: boolean }) {
  return (
    <Typography sx={{ maxWidth: 520 }}>
      {anyHorses
        ? 'No horse is scheduled today. Pick one below, or give them the day off.'
        : 'There is no horse here yet that you can see. Ask your trainer to put one under your name.'}
    </Typography>
  );
}
