import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { FormFrame } from '../../base/form/FormFrame';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { Section } from '../../shell/Section';
import { usePutLot, type Lot } from '../../data/cattle';

/** What one cow of the lot may be used for on a day. */
export function Caps({ lot }: { lot: Lot }) {
  const put = usePutLot(lot.lot_id);
  const [works, setWorks] = useState(lot.sheet.works_a_day ?? 2);
  const [minutes, setMinutes] = useState(lot.sheet.minutes_a_day ?? 12);
  const wrong = fieldsOf(put.error);
  const number = (
    label: string,
    field: string,
    value: number,
    onNumber: (value: number) => void,
  ) => (
    <TextField
      type="number"
      label={label}
      value={value || ''}
      error={wrong[field] !== undefined}
      helperText={wrong[field]}
      onChange={({ target }) => onNumber(Math.max(0, Math.round(Number(target.value))))}
      slotProps={{ htmlInput: { inputMode: 'numeric' } }}
    />
  );
  return (
    <Section title="How much one cow may be used" intro="Cattle that are worked too much go sour.">
      <FormFrame
        label="How much one cow may be used"
        save="Save"
        saving={put.isPending}
        onSave={() => put.mutate({ ...lot.sheet, works_a_day: works, minutes_a_day: minutes })}
        wrong={saidOfAll(put.error, ['/works_a_day', '/minutes_a_day'])}
      >
        {number('Works a day', '/works_a_day', works, setWorks)}
        {number('Minutes a day', '/minutes_a_day', minutes, setMinutes)}
      </FormFrame>
    </Section>
  );
}
