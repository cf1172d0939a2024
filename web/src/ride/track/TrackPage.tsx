import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { calculateAnywhere } from '../../base/core/anywhere';
import { QueryState } from '../../shell/QueryState';
import { FigureBand } from '../../shell/FigureBand';
import { PageFrame } from '../../shell/PageFrame';
import { Tip } from '../../help/Tip';
import { MeasuredLinks } from '../tape/MeasuredLinks';
import { ReadFile } from '../../shell/ReadFile';
import { plainTable } from '../../shell/plainTable';
import { Section } from '../../shell/Section';
import { horsePageQuery, horsePath } from '../../data/horse';
import { gaitWords } from '../../base/words/states';
import { hoursWords } from '../../base/words/hours';
import { milesInWords } from '../../base/words/units';
import { CirclesTable } from './CirclesTable';
import { TrackOnPlan } from './TrackOnPlan';
import type { Track } from './track';
import { WaysRound } from './WaysRound';

/** A ride by the track that a watch or phone wrote: gaits, ways round, circles. */
export function TrackPage() {
  const { horseId = '' } = useParams();
  const page = useQuery(horsePageQuery(horseId));
  return (
    <PageFrame title="Track">
      <MeasuredLinks horseId={horseId} />
      <QueryState query={page}>
        {({ horse }) => (
          <>
            <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start' }}>
              <Typography variant="h1" sx={{ flex: '1 1 240px' }}>
                {horse.name}, by the track
              </Typography>
              <Button component={Link} to={horsePath(horse.horse_id)}>
                {horse.name}
              </Button>
            </Box>
            <Picked />
          </>
        )}
      </QueryState>
    </PageFrame>
  );
}

function Picked() {
  const read = useMutation({
    mutationFn: async (file: File) => calculateAnywhere('ride-track', { gpx: await file.text() }),
  });
  return (
    <>
      <Typography sx={{ maxWidth: 680, mt: 0.5 }}>
        Pick the GPX file of a ride, as a watch or phone writes it. It is read here in the page and
        kept nowhere.
      </Typography>
      <ReadFile label="Pick the track" accept=".gpx,application/gpx+xml" read={read} />
      {read.data && <Read track={read.data} />}
    </>
  );
}

function Read({ track }: { track: Track }) {
  const figures: [string, string][] = [
    [hoursWords(Math.round(track.minutes)), 'in the track'],
    [milesInWords(track.miles), 'along it'],
    [String(track.circles.length), track.circles.length === 1 ? 'circle' : 'circles'],
    [String(Math.round(track.load)), 'load, minutes by pace'],
  ];
  return (
    <>
      <FigureBand figures={figures} status />
      <TrackOnPlan track={track} />
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'repeat(2, minmax(0, 1fr))' },
          columnGap: 6,
        }}
      >
        <Section title="By gait" intro="From the speed: near a border the gait before stays.">
          <Gaits track={track} />
        </Section>
        <Section title="Left and right">
          <WaysRound ways={track.ways} />
          <Tip of="ways" />
        </Section>
      </Box>
      <Section title="Circles" intro="Each round by the circle nearest to it.">
        <CirclesTable circles={track.circles} />
      </Section>
    </>
  );
}

function Gaits({ track }: { track: Track }) {
  return (
    <Box component="table" sx={{ ...plainTable, maxWidth: 420 }}>
      <tbody>
        {track.gaits.map(({ gait, minutes }) => (
          <tr key={gait}>
            <th scope="row">{gaitWords[gait]}</th>
            <td>
              {minutes < 1 ? `${Math.round(60 * minutes)} s` : hoursWords(Math.round(minutes))}
            </td>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}
