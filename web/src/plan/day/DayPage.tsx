import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { useWho } from '../../data/who';
import { dayAfter, dayIn, longDay, minutesNow } from '../../base/words/days';
import { BookingSheet } from './BookingSheet';
import { BrokenList } from '../BrokenList';
import { CameUp } from './CameUp';
import { Lanes } from './Lanes';
import { NewBooking } from './NewBooking';
import { dayQuery, type DayShown } from '../../data/day';
import { WeatherFile } from './WeatherFile';

/** A day to arrange: people as lanes, time downwards, horses as tags on hooks. */
export function DayPage() {
  const { time_zone } = useWho();
  const { day = dayIn(time_zone) } = useParams();
  const [search] = useSearchParams();
  const shown = useQuery(dayQuery(day));
  return (
    <PageFrame title="The day">
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
        <Typography variant="h1" sx={{ flex: { xs: '1 1 100%', sm: '1 1 auto' } }}>
          {longDay(day)}
        </Typography>
        <Button component={Link} to={`/day/${dayAfter(day, -1)}`}>
          Day before
        </Button>
        <Button component={Link} to={`/day/${dayAfter(day)}`}>
          Day after
        </Button>
        <Button component={Link} to="/calendars" sx={{ '@media print': { display: 'none' } }}>
          Calendars
        </Button>
        <Button
          onClick={() => window.print()}
          sx={{ display: { xs: 'none', sm: 'inline-flex' }, '@media print': { display: 'none' } }}
        >
          Print
        </Button>
      </Box>
      <QueryState query={shown}>
        {(data) => <Arranged key={day} shown={data} first={search} />}
      </QueryState>
    </PageFrame>
  );
}

function Arranged({ shown, first }: { shown: DayShown; first: URLSearchParams }) {
  const { decides, time_zone } = useWho();
  const [picked, setPicked] = useState<string>();
  // A reminder leads here with what is to be booked.
  const [adding, setAdding] = useState(first.has('book'));
  const [weather, setWeather] = useState(false);
  const [cameUp, setCameUp] = useState(false);
  const open = shown.bookings.find(({ booking }) => booking.booking_id === picked);
  const arranges = decides && shown.day >= dayIn(time_zone);
  return (
    <>
      {shown.broken.length > 0 && (
        <Box sx={{ mt: 1.5 }}>
          <BrokenList broken={shown.broken} title="What this day breaks" />
        </Box>
      )}
      {shown.bookings.length === 0 && (
        <Typography sx={{ my: 2, maxWidth: 560 }}>
          Nothing is booked on this day.
          {arranges && ' Book the first ride; it shows on Today when the day comes.'}
        </Typography>
      )}
      {arranges && (
        <Box
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            gap: 1,
            my: 1.5,
            '@media print': { display: 'none' },
          }}
        >
          <Button variant="contained" onClick={() => setAdding(true)} sx={{ minHeight: 56 }}>
            Book something
          </Button>
          <Button onClick={() => setWeather(true)} sx={{ minHeight: 56 }}>
            Weather
          </Button>
          {shown.bookings.length > 0 && (
            <Button onClick={() => setCameUp(true)} sx={{ minHeight: 56 }}>
              Something came up
            </Button>
          )}
        </Box>
      )}
      <Lanes shown={shown} arranges={arranges} onPick={setPicked} />
      {open && (
        <BookingSheet
          shown={shown}
          booked={open}
          arranges={arranges}
          onClose={() => setPicked(undefined)}
        />
      )}
      {cameUp && (
        <CameUp
          shown={shown}
          fromMin={shown.day === dayIn(time_zone) ? minutesNow(time_zone) : 0}
          onClose={() => setCameUp(false)}
        />
      )}
      {weather && <WeatherFile onClose={() => setWeather(false)} />}
      {adding && (
        <NewBooking
          shown={shown}
          first={{ kind: first.get('book'), horse: first.get('horse') }}
          onClose={() => setAdding(false)}
        />
      )}
    </>
  );
}
