import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Schemas } from '../../base/api/client';
import { Chip } from '../../shell/Chip';
import type { Wanted } from '../../outbox/db';
import { atHandWords } from '../../base/words/card';
import type { CardDay } from '../../data/card';
import { fahrenheitOf, shownTemperature, temperatureUnit } from '../../base/words/units';

interface Props {
  day: CardDay;
  wanted: Wanted;
  onWanted: (wanted: Wanted) => void;
}

const stepMin = 5;
const leastMin = 10;
const mostMin = 180;
const allAtHand = Object.keys(atHandWords) as Schemas['AtHand'][];

/** What the day has: minutes, who helps, what is at hand, how warm it is. The card follows. */
export function DayBar({ day, wanted, onWanted }: Props) {
  const minutes = wanted.minutes ?? day.minutes ?? 45;
  const atHand = wanted.at_hand ?? day.at_hand ?? [];
  const put = (change: Wanted) => onWanted({ ...wanted, ...change });
  const toggled = (one: Schemas['AtHand']) =>
    atHand.includes(one) ? atHand.filter((other) => other !== one) : [...atHand, one];
  return (
    <Box
      component="section"
      aria-label="The day"
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: 1,
        mt: 2,
        alignItems: 'center',
        '@media print': { display: 'none' },
      }}
    >
      <Step minutes={minutes} onMinutes={(next) => put({ minutes: next })} />
      <Chip
        label="Helper there"
        on={wanted.helper ?? day.helper ?? false}
        onToggle={() => put({ helper: !(wanted.helper ?? day.helper ?? false) })}
      />
      {allAtHand.map((one) => (
        <Chip
          key={one}
          label={atHandWords[one]}
          on={atHand.includes(one)}
          onToggle={() => put({ at_hand: toggled(one) })}
        />
      ))}
      <Heat wanted={wanted} put={put} />
    </Box>
  );
}

function Step({ minutes, onMinutes }: { minutes: number; onMinutes: (minutes: number) => void }) {
  const sx = { minWidth: 56, minHeight: 56, fontSize: '1.5rem' };
  // Two quick taps are two steps: the second does not wait until the first was kept.
  const [asked, setAsked] = useState<number>();
  if (asked === minutes) setAsked(undefined);
  const shown = asked ?? minutes;
  const step = (by: number) => {
    const next = Math.min(mostMin, Math.max(leastMin, shown + by));
    setAsked(next === minutes ? undefined : next);
    if (next !== shown) onMinutes(next);
  };
  return (
    <Box role="group" aria-label="Minutes" sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
      <Button aria-label="5 minutes less" onClick={() => step(-stepMin)} sx={sx}>
        −
      </Button>
      <Typography
        role="status"
        sx={{ minWidth: 84, textAlign: 'center', fontWeight: 700, fontSize: '1.2rem' }}
      >
        {shown} min
      </Typography>
      <Button aria-label="5 minutes more" onClick={() => step(stepMin)} sx={sx}>
        +
      </Button>
    </Box>
  );
}

/** Temperature and humidity, when it is warm. */
function Heat({ wanted, put }: { wanted: Wanted; put: (change: Wanted) => void }) {
  const known = wanted.temperature_f != null || wanted.humidity_pct != null;
  const [open, setOpen] = useState(false);
  if (!open && !known) {
    return <Chip label="It's warm" on={false} onToggle={() => setOpen(true)} />;
  }
  return (
    <>
      <Reading
        label={`Temperature, ${temperatureUnit()}`}
        value={wanted.temperature_f == null ? null : shownTemperature(wanted.temperature_f)}
        bounds={[Math.ceil(shownTemperature(-60)), Math.floor(shownTemperature(140))]}
        onValue={(value) => put({ temperature_f: value === null ? null : fahrenheitOf(value) })}
      />
      <Reading
        label="Humidity, %"
        value={wanted.humidity_pct}
        bounds={[0, 100]}
        onValue={(value) => put({ humidity_pct: value })}
      />
    </>
  );
}

interface ReadingProps {
  label: string;
  value: number | null | undefined;
  bounds: [number, number];
  onValue: (value: number | null) => void;
}

function Reading({ label, value, bounds: [least, most], onValue }: ReadingProps) {
  const [typed, setTyped] = useState(value == null ? '' : String(value));
  const number = Number(typed);
  const wrong = typed !== '' && !(number >= least && number <= most);
  return (
    <TextField
      label={label}
      type="number"
      value={typed}
      error={wrong}
      helperText={wrong ? `${least} to ${most}` : ' '}
      onChange={({ target }) => {
        setTyped(target.value);
        const next = Number(target.value);
        if (target.value === '') onValue(null);
        else if (next >= least && next <= most) onValue(next);
      }}
      sx={{ width: 170, mt: 2.5 }}
    />
  );
}
