import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import type { Schemas } from '../base/api/client';
import { ShareRibbon } from '../draw/ShareRibbon';
import { ShareYear } from '../draw/ShareYear';
import { QueryState } from '../shell/QueryState';
import { HorseHeading } from '../shell/HorseHeading';
import { PageFrame } from '../shell/PageFrame';
import { Section } from '../shell/Section';
import { horseQuery } from '../data/today';
import { shortDay } from '../base/words/days';
import { inchesInWords } from '../base/words/inches';
import { count } from '../base/words/plain';
import { horseTackPath, twoReinQuery } from '../data/tack';
import { Tip } from '../help/Tip';

/** Rides that are drawn one by one. */
const shown = 12;

/** From the bosal to the bridle: the year's plan, the rides on it, what the next starts with. */
export function TwoReinPage() {
  const { horseId = '' } = useParams();
  const horse = useQuery(horseQuery(horseId));
  const all = useQuery(twoReinQuery(horseId));
  return (
    <PageFrame title="Bosal to bridle">
      <QueryState query={horse}>{(data) => <HorseHeading horse={data} />}</QueryState>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'baseline' }}>
        <Typography variant="h2" component="p" sx={{ color: 'text.secondary' }}>
          From the bosal to the bridle
        </Typography>
        <Button component={Link} to={horseTackPath(horseId)}>
          Tack
        </Button>
      </Box>
      <QueryState query={all}>{(data) => <Whole data={data} />}</QueryState>
    </PageFrame>
  );
}

function Whole({ data }: { data: Schemas['TwoRein'] }) {
  const { rides, next, plan, bosals } = data;
  return (
    <>
      <Typography sx={{ fontSize: '1.25rem', fontWeight: 700, mt: 2, maxWidth: 720 }}>
        {next.says}
      </Typography>
      <Section
        title="The year"
        intro="The line is about a year from nearly all bosal to nearly all bridle; each mark is a ride, by its own share. No horse has to keep to it."
      >
        <ShareYear
          plan={plan}
          rides={rides.map(({ day, said }) => ({ day, bosal_pct: said.mean_bosal_pct }))}
        />
        <Tip of="year" />
      </Section>
      <Section
        title="Ride by ride"
        intro="Braided is bosal, plain is bridle. Up: asks for the bridle. Down: asks back."
      >
        {rides.length === 0 && (
          <Typography sx={{ maxWidth: 560 }}>
            No ride in the two-rein yet. Put it on in the recorder, and its ribbon shows here.
          </Typography>
        )}
        {rides
          .slice(-shown)
          .reverse()
          .map((ride) => (
            <OneRide key={ride.ride_id} ride={ride} />
          ))}
      </Section>
      {bosals.length > 0 && (
        <Section title="Bosal sizes" intro="Down a size when the horse asks, and not only once.">
          {bosals.map((bosal) => (
            <Box key={bosal.gear_id ?? bosal.name} sx={{ py: 1, maxWidth: 640 }}>
              <Typography>
                <strong>{bosal.name || 'A bosal without a name'}</strong>
                {bosal.bosal_in != null && `, ${inchesInWords(bosal.bosal_in)}`},{' '}
                {count(bosal.days, 'ride')}
              </Typography>
              <Typography>{bosal.says}</Typography>
            </Box>
          ))}
        </Section>
      )}
    </>
  );
}

function OneRide({ ride }: { ride: Schemas['RibbonRide'] }) {
  const { said } = ride;
  const sustained = said.asks.filter((ask) => ask.sustained).length;
  const held = said.asks.map(
    (ask) => `${Math.round(ask.held_min)} min${ask.sustained ? ', to the end' : ''}`,
  );
  return (
    <Box sx={{ py: 1.5, borderTop: '1px solid', borderColor: 'divider' }}>
      <Typography>
        <Link to={`/rides/${ride.ride_id}`}>{shortDay(ride.day)}</Link>, {ride.rider}: bosal{' '}
        <strong>{Math.round(said.mean_bosal_pct)}%</strong>{' '}
        <Box component="span" sx={{ color: 'text.secondary' }}>
          (plan {Math.round(ride.planned_bosal_pct)}%)
        </Box>
      </Typography>
      <Tip of="ribbon" />
      <ShareRibbon
        segments={ride.ride.segments}
        events={ride.ride.events ?? []}
        endMin={ride.ride.end_min}
        height={40}
      />
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {said.asks.length === 0
          ? 'Did not ask for the bridle'
          : `Asked for the bridle ${count(said.asks.length, 'time')}, held ${held.join('; ')}`}
        {sustained > 0 && '. Sustained'}. Asked back {count(said.asks_back, 'time')}.
      </Typography>
    </Box>
  );
}
