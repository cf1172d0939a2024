import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { calculateAnywhere } from '../../base/core/anywhere';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { MeasuredLinks } from '../tape/MeasuredLinks';
import { ReadFile } from '../../shell/ReadFile';
import { Section } from '../../shell/Section';
import { horsePageQuery, horsePath, type HorsePage } from '../../data/horse';
import { count } from '../../base/words/plain';
import { pullInWords } from '../../base/words/inches';
import { OfferedAsks } from './OfferedAsks';
import type { Trace } from './trace';

/** A rein gauge's trace: the asks in it, offered to be kept. */
export function GaugePage() {
  const { horseId = '' } = useParams();
  const page = useQuery(horsePageQuery(horseId));
  return (
    <PageFrame title="Rein gauge">
      <MeasuredLinks horseId={horseId} />
      <QueryState query={page}>
        {(data) => (
          <>
            <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start' }}>
              <Typography variant="h1" sx={{ flex: '1 1 240px' }}>
                {data.horse.name}, by the rein gauge
              </Typography>
              <Button component={Link} to={horsePath(data.horse.horse_id)}>
                {data.horse.name}
              </Button>
            </Box>
            <Picked page={data} />
          </>
        )}
      </QueryState>
    </PageFrame>
  );
}

function Picked({ page }: { page: HorsePage }) {
  const read = useMutation({
    mutationFn: async (file: File) => ({
      trace: await calculateAnywhere('gauge-asks', { csv: await file.text() }),
      name: file.name,
      writtenAt: file.lastModified,
    }),
  });
  return (
    <>
      <Typography sx={{ maxWidth: 680, mt: 0.5 }}>
        Pick the trace of a ride: seconds, left and right rein in newtons, one row a reading. The
        asks in it are found here in the page; what you keep becomes a ride.
      </Typography>
      <ReadFile label="Pick the trace" accept=".csv,text/csv,text/plain" read={read} />
      {read.data && (
        <>
          <Reins trace={read.data.trace} />
          <OfferedAsks
            key={`${read.data.name} ${read.data.writtenAt}`}
            page={page}
            trace={read.data.trace}
            writtenAt={read.data.writtenAt}
          />
        </>
      )}
    </>
  );
}

/** The two reins against each other. */
function Reins({ trace: { asks, evenness } }: { trace: Trace }) {
  return (
    <Section title="The two reins">
      <Typography role="status">
        {count(asks.length, 'ask')} found. Between asks the left hand carries{' '}
        {pullInWords(evenness.left_carried_n)}, the right {pullInWords(evenness.right_carried_n)}.{' '}
        {count(evenness.left_asks, 'ask')} of the left rein alone,{' '}
        {count(evenness.right_asks, 'ask')} of the right.
      </Typography>
    </Section>
  );
}
