import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { FormSelect } from '../../base/form/FormSelect';
import type { DayPlan } from '../../data/day';
import { minutesOf, timeOf } from '../scale';

export interface When {
  person_id: string;
  place_id: string;
  from_min: number;
  minutes: number;
}

interface Props {
  plan: DayPlan;
  when: When;
  onWhen: (when: When) => void;
  wrong: Record<string, string>;
  /** A place made ready has nobody. */
  nobody?: boolean;
}

/** Who, where, from when, and how long. */
export function BookingFields({ plan, when, onWhen, wrong, nobody }: Props) {
  const put = (change: Partial<When>) => onWhen({ ...when, ...change });
  return (
    <>
      {!nobody && (
        <FormSelect
          label="Who"
          value={when.person_id}
          of={[
            ['', 'Nobody yet'],
            ...plan.people.map(({ person_id, name }): [string, string] => [person_id, name]),
          ]}
          onPick={(person_id) => put({ person_id })}
          wrong={wrong['/person_id']}
        />
      )}
      <FormSelect
        label="Where"
        value={when.place_id}
        of={[
          ['', 'No place'],
          ...plan.places.map(({ place_id, name }): [string, string] => [place_id, name]),
        ]}
        onPick={(place_id) => put({ place_id })}
        wrong={wrong['/place_id']}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        <TextField
          type="time"
          label="From"
          value={timeOf(when.from_min).slice(0, 5)}
          error={wrong['/from_min'] !== undefined}
          helperText={wrong['/from_min']}
          onChange={({ target }) => target.value && put({ from_min: minutesOf(target.value) })}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <TextField
          type="number"
          label="Minutes"
          value={when.minutes || ''}
          error={wrong['/minutes'] !== undefined}
          helperText={wrong['/minutes']}
          onChange={({ target }) =>
            put({ minutes: Math.min(1440, Math.max(0, Math.round(Number(target.value)))) })
          }
          slotProps={{ htmlInput: { inputMode: 'numeric', step: 5 } }}
        />
      </Box>
    </>
  );
}
