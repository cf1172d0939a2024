import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../base/api/client';
import { Chip } from '../../shell/Chip';
import { weekdayWords } from '../../base/words/people';

type Hours = Schemas['WorkHours'];

const usual: Omit<Hours, 'weekday'> = { from: '07:00:00', to: '15:00:00', most_horses: 6 };

interface Props {
  hours: Hours[];
  onHours: (hours: Hours[]) => void;
  wrong: Record<string, string>;
}

/** The days somebody works, from when to when, and how many horses they ride at the most. */
export function HoursFields({ hours, onHours, wrong }: Props) {
  const put = (changed: Hours) =>
    onHours(hours.map((one) => (one.weekday === changed.weekday ? changed : one)));
  const toggle = (weekday: number) =>
    onHours(
      hours.some((one) => one.weekday === weekday)
        ? hours.filter((one) => one.weekday !== weekday)
        : [...hours, { ...(hours.at(-1) ?? usual), weekday }].sort((a, b) => a.weekday - b.weekday),
    );
  return (
    <Box component="fieldset" sx={{ border: 0, m: 0, p: 0 }}>
      <Typography component="legend" variant="h2">
        Hours
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, my: 1 }}>
        {weekdayWords.map((name, index) => (
          <Chip
            key={name}
            label={name}
            on={hours.some((one) => one.weekday === index + 1)}
            onToggle={() => toggle(index + 1)}
          />
        ))}
      </Box>
      {hours.map((one, index) => (
        <Box
          key={one.weekday}
          role="group"
          aria-label={weekdayWords[one.weekday - 1]}
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: '1fr 1fr 84px', sm: '110px 1fr 1fr 100px' },
            gap: 1,
            alignItems: 'start',
            mt: 1.5,
            // On a phone the clock of the field would cover AM and PM.
            '& input::-webkit-calendar-picker-indicator': { display: { xs: 'none', sm: 'block' } },
          }}
        >
          <Typography sx={{ gridColumn: { xs: '1 / -1', sm: 'auto' }, alignSelf: 'center' }}>
            {weekdayWords[one.weekday - 1]}
          </Typography>
          <TextField
            type="time"
            label="From"
            value={one.from.slice(0, 5)}
            onChange={({ target }) => put({ ...one, from: `${target.value}:00` })}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <TextField
            type="time"
            label="To"
            value={one.to.slice(0, 5)}
            error={wrong[`/hours/${index}/to`] !== undefined}
            helperText={wrong[`/hours/${index}/to`]}
            onChange={({ target }) => put({ ...one, to: `${target.value}:00` })}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <TextField
            type="number"
            label="Horses"
            value={one.most_horses}
            error={wrong[`/hours/${index}/most_horses`] !== undefined}
            helperText={wrong[`/hours/${index}/most_horses`]}
            onChange={({ target }) => put({ ...one, most_horses: Number(target.value) })}
            slotProps={{ htmlInput: { min: 0, max: 20 }, inputLabel: { shrink: true } }}
          />
        </Box>
      ))}
    </Box>
  );
}
