import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../base/api/client';
import { lazy, Suspense } from 'react';
import { Link } from 'react-router';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { useWho } from '../../data/who';
import { longDay } from '../../base/words/days';
import { NextUp } from './NextUp';
import { todayQuery } from '../../data/today';
import { lanes, nextUp } from './string';
import { StringLane } from './StringLane';

const OtherHorses = lazy(async () => ({ default: (await import('./OtherHorses')).OtherHorses }));

const NoHorses = lazy(async () => ({ default: (await import('../../shell/NoHorses')).NoHorses }));

const DueCare = lazy(async () => ({ default: (await import('../../horse/care/DueCare')).DueCare }));

const DatesAtRisk = lazy(async () => ({
  default: (await import('../../plan/road/DatesAtRisk')).DatesAtRisk,
}));

const HeavyHands = lazy(async () => ({
  default: (await import('../people/HeavyHands')).HeavyHands,
}));

const News = lazy(async () => ({ default: (await import('./News')).News }));

const FirstSteps = lazy(async () => ({ default: (await import('./FirstSteps')).FirstSteps }));

const OwnersHorses = lazy(async () => ({
  default: (await import('../../owner/OwnersHorses')).OwnersHorses,
}));

export function TodayPage() {
  const today = useQuery(todayQuery);
  return (
    <PageFrame title="Today">
      <QueryState query={today}>{(data) => <Day today={data} />}</QueryState>
    </PageFrame>
  );
}

function Day({ today }: { today: Schemas['Today'] }) {
  const who = useWho();
  const next = who.records ? nextUp(today.string, who.person_id) : undefined;
  const string = lanes(today.string, who.person_id);
  return (
    <>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center', mb: 2 }}>
        <Typography variant="h1" sx={{ flex: 1, minWidth: 260 }}>
          {longDay(today.day)}
        </Typography>
        {who.records && (
          <Button component={Link} to="/day">
            {who.decides ? 'Arrange the day' : 'The whole day'}
          </Button>
        )}
      </Box>
      {!who.records && (
        <Suspense fallback={null}>
          <OwnersHorses />
        </Suspense>
      )}
      {who.decides && (
        <Suspense fallback={null}>
          <FirstSteps horses={today.string.length + today.others.length} />
        </Suspense>
      )}
      {who.decides && (
        <Suspense fallback={null}>
          <News />
        </Suspense>
      )}
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
      <Suspense fallback={null}>
        <DatesAtRisk />
        <DueCare />
        {who.decides && <HeavyHands />}
      </Suspense>
      {today.usual && (
        <Suspense fallback={null}>
          <OtherHorses horses={today.others} usual={today.usual} records={who.records} />
        </Suspense>
      )}
    </>
  );
}

function NobodyDown({ anyHorses }: { anyHorses: boolean }) {
  if (!anyHorses)
    return (
      <Suspense fallback={null}>
        <NoHorses />
      </Suspense>
    );
  return (
    <Typography sx={{ maxWidth: 520 }}>
      No horse is scheduled today. Pick one below, or give them the day off.
    </Typography>
  );
}
