import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { lazy, Suspense } from 'react';
import { Link } from 'react-router';
import { useWho } from '../../data/who';
import { clockIn } from '../../base/words/days';
import { count } from '../../base/words/plain';
import type { StringHorse } from './string';

const JoinRide = lazy(async () => ({
  default: (await import('../../ride/page/JoinRide')).JoinRide,
}));

/** The horse's rides of today, and joining one that goes on. */
export function RiddenToday({ entry }: { entry: StringHorse }) {
  const { time_zone, records } = useWho();
  return entry.rides.map((ride) => (
    <Typography key={ride.ride_id} variant="body2" sx={{ mt: 0.5 }}>
      <Box
        component={Link}
        to={`/rides/${ride.ride_id}`}
        sx={{ color: 'text.primary', py: 0.75, display: 'inline-block' }}
      >
        {ride.finished_at ? 'Ridden' : 'Riding since'} {clockIn(time_zone, ride.started_at)},{' '}
        {count(ride.asked, 'ask')}
      </Box>
      {records && !ride.finished_at && (
        <Suspense fallback={null}>
          <JoinRide rideId={ride.ride_id} horseName={entry.horse.name} />
        </Suspense>
      )}
    </Typography>
  ));
}
