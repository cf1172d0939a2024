import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useParams, useSearchParams } from 'react-router';
import { QueryState } from '../shell/QueryState';
import { HorseHeading } from '../shell/HorseHeading';
import { PageFrame } from '../shell/PageFrame';
import { horsePageQuery } from '../data/horse';
import { useWho } from '../data/who';
import { count } from '../base/words/plain';
import { coursesQuery, runsQuery, type RunsOfHorse } from '../data/ground';
import { FeltOnPlan } from './FeltOnPlan';
import { RunsTable } from './RunsTable';
import { RunsTogether } from './RunsTogether';
import { TypedRun } from './TypedRun';

/** A horse's runs of the pattern: the clock, the speed along the way, pockets against the plan. */
export function RunsPage() {
  const { horseId = '' } = useParams();
  const page = useQuery(horsePageQuery(horseId));
  const runs = useQuery(runsQuery(horseId));
  return (
    <PageFrame title="Runs">
      <QueryState query={page}>
        {({ horse }) => (
          <>
            <HorseHeading horse={horse} />
            <Typography variant="h2" sx={{ mt: 1 }}>
              Runs of the pattern
            </Typography>
            <QueryState query={runs}>{(all) => <Runs horseId={horseId} all={all} />}</QueryState>
          </>
        )}
      </QueryState>
    </PageFrame>
  );
}

function Runs({ horseId, all }: { horseId: string; all: RunsOfHorse }) {
  const [search, setSearch] = useSearchParams();
  const courses = useQuery(coursesQuery);
  const picked = all.runs.find(({ rep_id }) => rep_id === search.get('run')) ?? all.runs[0];
  const { records } = useWho();
  const typing = records && search.has('add');
  return (
    <>
      <Quota quota={all.quota} />
      {typing ? (
        <TypedRun
          horseId={horseId}
          courses={courses.data ?? []}
          onDone={() => setSearch({}, { replace: true })}
        />
      ) : (
        records && (
          <Button onClick={() => setSearch({ add: '' })} sx={{ mt: 2, minHeight: 56 }}>
            Add a run
          </Button>
        )
      )}
      {all.runs.length === 0 && !typing && (
        <Typography sx={{ mt: 2, maxWidth: 560 }}>
          No run yet. Runs recorded from the saddle show here; one that somebody timed can be typed
          in.
        </Typography>
      )}
      {all.said && (
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 7fr) minmax(0, 5fr)' },
            gap: 4,
            mt: 3,
          }}
        >
          <Box>
            <RunsTogether said={all.said} runs={all.runs} />
            <RunsTable
              runs={all.runs}
              said={all.said}
              picked={picked?.rep_id}
              onPick={(run) => setSearch({ run }, { replace: true })}
            />
          </Box>
          {picked && !picked.run.timed_only && (
            <FeltOnPlan run={picked} courses={courses.data ?? []} />
          )}
          {picked?.run.timed_only && (
            <Typography sx={{ mt: 1 }}>
              Only its time and the barrels that fell were written down; it is not judged.
            </Typography>
          )}
        </Box>
      )}
    </>
  );
}

function Quota({ quota }: { quota: RunsOfHorse['quota'] }) {
  const { ridden, enough, finished } = quota;
  const over = ridden > enough;
  return (
    <Typography
      sx={{ mt: 1, fontWeight: over ? 700 : 400, color: over ? 'error.main' : 'text.primary' }}
    >
      {count(ridden, 'run')} at speed in the last 7 days; {enough} a week{' '}
      {finished ? 'keeps a finished horse' : 'is enough for a horse that is still learning'}.
      {over && ' Ride off the pattern for a while.'}
    </Typography>
  );
}
