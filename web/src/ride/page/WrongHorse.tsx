import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client, type Schemas } from '../../base/api/client';
import { FormSelect } from '../../base/form/FormSelect';
import { saidOfAll } from '../../base/form/problems';
import { useSave } from '../../data/save';
import { everyHorseQuery } from '../../data/horses';
import { useQueue } from '../../outbox/queue';
import { useWho } from '../../data/who';
import { dayAndClockIn } from '../../base/words/days';

/** A ride recorded on the wrong horse is put right with all its asks; what it was is kept. */
export function WrongHorse({ ride }: { ride: Schemas['Ride'] }) {
  const { records, time_zone } = useWho();
  const [open, setOpen] = useState(false);
  const { ride_id } = ride;
  const history = useQuery({
    queryKey: ['ride', ride_id, 'horse'],
    queryFn: () =>
      answer(client.GET('/api/rides/{ride_id}/horse', { params: { path: { ride_id } } })),
  });
  return (
    <Box component="section" aria-label="The horse of this ride" sx={{ mt: 3 }}>
      {history.data?.map(({ from, to, by, at }) => (
        <Typography key={at}>
          Put from {from} to {to} by {by}, {dayAndClockIn(time_zone, at)}.
        </Typography>
      ))}
      {records && !open && (
        <Button variant="text" onClick={() => setOpen(true)} sx={{ px: 0 }}>
          Wrong horse?
        </Button>
      )}
      {open && <OtherHorse ride={ride} onDone={() => setOpen(false)} />}
    </Box>
  );
}

function OtherHorse({ ride, onDone }: { ride: Schemas['Ride']; onDone: () => void }) {
  const { db } = useQueue();
  const horses = useQuery(everyHorseQuery);
  const [picked, setPicked] = useState('');
  const { ride_id } = ride;
  const put = useSave((horse_id: string) =>
    answer(
      client.PUT('/api/rides/{ride_id}/horse', {
        params: { path: { ride_id } },
        body: { horse_id },
      }),
    ),
  );
  const others = (horses.data ?? []).filter(({ horse }) => horse.horse_id !== ride.horse.horse_id);
  const save = () =>
    put.mutate(picked, {
      onSuccess: () => {
        // What is sent of it from here on names the horse that was ridden.
        const horseName = others.find(({ horse }) => horse.horse_id === picked)?.horse.name;
        void db.rides
          .where({ rideId: ride_id })
          .modify({ horseId: picked, ...(horseName && { horseName }) });
        onDone();
      },
    });
  return (
    <Box
      component="form"
      aria-label="The horse that was ridden"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
      sx={{ display: 'grid', gap: 1.5, maxWidth: 420 }}
    >
      <Typography variant="h2">Which horse was it?</Typography>
      <Typography>
        The ride moves with all its asks, and both horses are judged anew. What Cavesson said before
        stays in the record.
      </Typography>
      <FormSelect
        label="Horse"
        value={picked}
        of={[
          ['', 'Pick the horse'],
          ...others.map(({ horse }): [string, string] => [horse.horse_id, horse.name]),
        ]}
        onPick={setPicked}
      />
      {put.error && (
        <Typography role="alert" sx={{ color: 'error.main' }}>
          {saidOfAll(put.error, [])}
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1.5 }}>
        <Button
          type="submit"
          variant="contained"
          disabled={!picked || put.isPending}
          sx={{ minHeight: 56 }}
        >
          Move the ride
        </Button>
        <Button onClick={onDone} sx={{ minHeight: 56 }}>
          Cancel
        </Button>
      </Box>
    </Box>
  );
}
