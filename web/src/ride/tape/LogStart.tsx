import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState, type ReactNode } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Schemas } from '../../base/api/client';
import { FormSelect } from '../../base/form/FormSelect';
import { QueryState } from '../../shell/QueryState';
import { peopleQuery } from '../../data/people';
import type { TapedRide } from '../../outbox/fromTape';
import { takeIn } from '../../outbox/keep';
import { useQueue } from '../../outbox/queue';
import { knownRide } from '../page/knownRide';
import { rideQuery } from '../../data/ride';
import { useWho } from '../../data/who';
import { dayIn, minutesNow } from '../../base/words/days';
import type { OpenFilm } from './film';
import type { FilmTime } from './FilmTime';
import { instantOf, secondsOfDay } from '../../base/words/instant';
import { LogPanel } from './LogPanel';
import type { TapeSheet } from './marks';

interface Props {
  horse: { horse_id: string; name: string };
  sheet: TapeSheet;
  open: OpenFilm | undefined;
  time: FilmTime;
  onShow: (seconds: number) => void;
  onRide: (rideId: string) => void;
}

/** Who rides in the film and when it was made; then the faces. */
export function LogStart({ horse, sheet, open, time, onShow, onRide }: Props) {
  const { db } = useQueue();
  const rideId = sheet.ride_id ?? undefined;
  const known = useLiveQuery(
    async () => (rideId ? ((await db.rides.get(rideId)) ?? null) : null),
    [db, rideId],
  );
  const [said, setSaid] = useState<TapedRide | null>(null);
  const kept: TapedRide | null = known?.fromTape
    ? {
        rideId: known.rideId,
        horseId: known.horseId,
        horseName: known.horseName,
        riderId: known.fromTape.rider_id,
        day: known.day,
        startedAt: known.startedAt,
        lengthMs: known.finishedAfterMs ?? 0,
      }
    : null;
  const ride = said ?? kept;
  if (!open || (!said && known === undefined)) return null;
  if (ride) return <LogPanel ride={ride} time={time} onShow={onShow} />;
  const begin = (
    <Begin
      horse={horse}
      open={open}
      day={sheet.day}
      onBegin={(begun) => {
        setSaid(begun);
        onRide(begun.rideId);
      }}
    />
  );
  return rideId ? <LoggedElsewhere rideId={rideId} begin={begin} /> : begin;
}

/** The ride was logged on another device: it is taken in here first, so that it stays one ride. */
function LoggedElsewhere({ rideId, begin }: { rideId: string; begin: ReactNode }) {
  const { db } = useQueue();
  const { person_id } = useWho();
  const ride = useQuery(rideQuery(rideId));
  const goOn = async (data: Schemas['Ride']) => {
    await takeIn(db, knownRide(data));
    // Who rides in it is known to the server, and stays.
    await db.rides.update(rideId, { fromTape: { rider_id: person_id } });
  };
  // Begun here and left before the first ask: there is no such ride.
  if (ride.isError) return begin;
  return (
    <QueryState query={ride}>
      {(data) => (
        <>
          <Typography sx={{ mb: 1 }}>
            {data.timeline.length} asks were logged from this film on another device.
          </Typography>
          <Button variant="contained" onClick={() => void goOn(data)} sx={{ minHeight: 56 }}>
            Go on with them
          </Button>
        </>
      )}
    </QueryState>
  );
}

interface BeginProps {
  horse: Props['horse'];
  open: OpenFilm;
  day: string;
  onBegin: (ride: TapedRide) => void;
}

const two = (value: number) => String(value).padStart(2, '0');

function Begin({ horse, open, day, onBegin }: BeginProps) {
  const { person_id, time_zone } = useWho();
  const people = useQuery(peopleQuery);
  const [rider, setRider] = useState(person_id);
  const lengthMs = Math.round(open.film.length_s * 1000);
  const [at, setAt] = useState(() => {
    // The file was written when the camera stopped.
    const began = new Date(open.writtenAt - lengthMs);
    if (dayIn(time_zone, began) !== day) return '';
    const minutes = minutesNow(time_zone, began);
    return `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
  });
  const seconds = secondsOfDay(at);
  const began = seconds === null ? null : instantOf(time_zone, day, seconds);
  const [now] = useState(() => Date.now());
  const later = began !== null && began.getTime() + lengthMs > now;
  return (
    <Box
      component="form"
      aria-label="Who rides, and when"
      onSubmit={(event) => {
        event.preventDefault();
        if (!began || later) return;
        onBegin({
          rideId: uuidv7(),
          horseId: horse.horse_id,
          horseName: horse.name,
          riderId: rider,
          day,
          startedAt: began.toISOString(),
          lengthMs,
        });
      }}
      sx={{ display: 'grid', gap: 1.5 }}
    >
      <Typography>
        Asks that are seen in the film become a ride of {horse.name}, marked as from tape. Log none
        that was recorded from the saddle: it would count twice.
      </Typography>
      <FormSelect
        label="Who rides"
        value={rider}
        of={(people.data ?? [])
          .filter((one) => one.role !== 'owner')
          .map((one): [string, string] => [one.person_id, one.name])}
        onPick={setRider}
      />
      <TextField
        label="The film begins at"
        type="time"
        value={at}
        onChange={({ target }) => setAt(target.value)}
        helperText={
          later
            ? 'That is still to come: set the day under “Filmed on”.'
            : 'The time of day, as near as you know'
        }
        error={later}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Button type="submit" variant="contained" disabled={!began || later} sx={{ minHeight: 56 }}>
        Log asks
      </Button>
    </Box>
  );
}
