import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { FormFrame } from '../../base/form/FormFrame';
import { FormText } from '../../base/form/FormText';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { useWho } from '../../data/who';
import { dayIn } from '../../base/words/days';
import { usePutTreatment } from '../../data/cattle';

/** What a cow was given. */
export function TreatmentForm({ cowId, onDone }: { cowId: string; onDone: () => void }) {
  const { time_zone } = useWho();
  const put = usePutTreatment();
  // Sent again after a break in the line it is still the same one.
  const [treatmentId] = useState(() => uuidv7());
  const [draft, setDraft] = useState({
    given_on: dayIn(time_zone),
    what: '',
    by: '',
    withdrawal_days: 0,
    note: '',
  });
  const wrong = fieldsOf(put.error);
  const text = (field: 'what' | 'by' | 'note', label: string) => (
    <FormText
      label={label}
      becomes={`Treatment/${field}`}
      value={draft[field]}
      onText={(said) => setDraft({ ...draft, [field]: said })}
      wrong={wrong[`/treatment/${field}`]}
      autoComplete="off"
    />
  );
  return (
    <FormFrame
      label="A treatment"
      save="Save"
      saving={put.isPending}
      onSave={() =>
        put.mutate({ treatmentId, cow_id: cowId, treatment: draft }, { onSuccess: onDone })
      }
      onCancel={onDone}
      wrong={saidOfAll(
        put.error,
        ['what', 'by', 'note', 'given_on', 'withdrawal_days'].map((field) => `/treatment/${field}`),
      )}
    >
      {text('what', 'What it was given')}
      {text('by', 'On whose word')}
      <TextField
        type="date"
        label="Day"
        value={draft.given_on}
        error={wrong['/treatment/given_on'] !== undefined}
        helperText={wrong['/treatment/given_on']}
        onChange={({ target }) => setDraft({ ...draft, given_on: target.value })}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <TextField
        type="number"
        label="Days not for meat"
        value={draft.withdrawal_days}
        error={wrong['/treatment/withdrawal_days'] !== undefined}
        helperText={wrong['/treatment/withdrawal_days'] ?? 'From the label or the vet; 0 for none'}
        onChange={({ target }) =>
          setDraft({ ...draft, withdrawal_days: Math.max(0, Math.round(Number(target.value))) })
        }
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
      />
      {text('note', 'Notes')}
    </FormFrame>
  );
}
