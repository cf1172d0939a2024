import { count } from '../../base/words/plain';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Schemas } from '../../base/api/client';
import type { KeptRide } from '../../outbox/db';
import { useWho } from '../../data/who';
import { clockIn, dayIn, longDay } from '../../base/words/days';
import { Reason } from './Reason';

interface Props {
  ride: KeptRide;
  /** Asks that wait with it. */
  asks: number;
  horses: Schemas['Horse'][];
  onChange: (
    change: Partial<Pick<KeptRide, 'startedAt' | 'setForwardS' | 'horseId' | 'horseName'>>,
  ) => void;
  onDrop: () => void;
}

/** A ride that the barn did not take: its time or its horse can be put right. */
export function RefusedRide({ ride, asks, horses, onChange, onDrop }: Props) {
  const { time_zone } = useWho();
  const [start, setStart] = useState('');
  const name = ride.horseName || 'A horse';
  return (
    <Box component="li" sx={{ py: 2, borderTop: '2px solid', borderColor: 'text.primary' }}>
      <Typography variant="h2">
        {name}, {longDay(dayIn(time_zone, new Date(ride.startedAt)))} at{' '}
        {clockIn(time_zone, ride.startedAt)}
      </Typography>
      <Typography>A ride with {count(asks, 'ask')}.</Typography>
      <Reason because={ride.refusedBecause} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mt: 1.5, alignItems: 'center' }}>
        <TextField
          label="Started at"
          type="datetime-local"
          value={start}
          onChange={(event) => setStart(event.target.value)}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <Button
          disabled={!start}
          onClick={() => onChange({ startedAt: new Date(start).toISOString(), setForwardS: 0 })}
          sx={{ minHeight: 56 }}
        >
          Set the time
        </Button>
        <TextField
          select
          label="Horse"
          value={horses.some((horse) => horse.horse_id === ride.horseId) ? ride.horseId : ''}
          onChange={(event) => {
            const horse = horses.find(({ horse_id }) => horse_id === event.target.value);
            if (horse) onChange({ horseId: horse.horse_id, horseName: horse.name });
          }}
          sx={{ minWidth: 200 }}
        >
          {horses.map((horse) => (
            <MenuItem key={horse.horse_id} value={horse.horse_id}>
              {horse.name}
            </MenuItem>
          ))}
        </TextField>
        <Button onClick={onDrop} sx={{ minHeight: 56 }}>
          Delete the ride
        </Button>
      </Box>
    </Box>
  );
}
