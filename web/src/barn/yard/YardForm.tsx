import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { FormFrame } from '../../base/form/FormFrame';
import { FormSelect } from '../../base/form/FormSelect';
import { FormText } from '../../base/form/FormText';
import { fieldsOf, saidOfAll } from '../../base/form/problems';

/** A number of it, such as horses at once. */
export interface YardNumber {
  field: string;
  label: string;
  fresh: number;
}

export interface YardDraft<K extends string> {
  name: string;
  kind: K;
  number: number;
  note: string;
  /** When it is open, such as 06:00; both empty: always. */
  opens: string;
  closes: string;
}

interface Props<K extends string> {
  label: string;
  first: YardDraft<K>;
  kinds: [K, string][];
  number?: YardNumber;
  becomes: string;
  hasNote?: boolean;
  hasHours?: boolean;
  saving: { isPending: boolean; error: Error | null };
  onSave: (draft: YardDraft<K>) => void;
  onCancel: () => void;
}

/** Name, kind, and a number where there is one. */
export function YardForm<K extends string>(props: Props<K>) {
  const { kinds, number, becomes, hasNote, hasHours, saving } = props;
  const [draft, setDraft] = useState(props.first);
  const wrong = fieldsOf(saving.error);
  const at = `/${number?.field}`;
  return (
    <FormFrame
      label={props.label}
      save="Save"
      saving={saving.isPending}
      onSave={() => props.onSave(draft)}
      onCancel={props.onCancel}
      wrong={saidOfAll(saving.error, ['/name', '/kind', '/note', '/opens', '/closes', at])}
    >
      <FormText
        label="Name"
        becomes={`${becomes}/name`}
        value={draft.name}
        onText={(name) => setDraft({ ...draft, name })}
        wrong={wrong['/name']}
        autoComplete="off"
      />
      <FormSelect
        label="Kind"
        value={draft.kind}
        of={kinds}
        onPick={(kind) => setDraft({ ...draft, kind })}
        wrong={wrong['/kind']}
      />
      {number && (
        <TextField
          type="number"
          label={number.label}
          value={draft.number || ''}
          error={wrong[at] !== undefined}
          helperText={wrong[at]}
          onChange={({ target }) =>
            setDraft({ ...draft, number: Math.max(0, Math.round(Number(target.value))) })
          }
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        />
      )}
      {hasHours && (
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
          {(['opens', 'closes'] as const).map((field) => (
            <TextField
              key={field}
              type="time"
              label={field === 'opens' ? 'Opens' : 'Closes'}
              value={draft[field]}
              error={wrong[`/${field}`] !== undefined}
              helperText={wrong[`/${field}`] ?? (field === 'opens' && 'Empty: always open')}
              onChange={({ target }) => setDraft({ ...draft, [field]: target.value })}
              slotProps={{ inputLabel: { shrink: true } }}
            />
          ))}
        </Box>
      )}
      {hasNote && (
        <FormText
          label="Notes"
          becomes={`${becomes}/note`}
          value={draft.note}
          onText={(note) => setDraft({ ...draft, note })}
          wrong={wrong['/note']}
          autoComplete="off"
        />
      )}
    </FormFrame>
  );
}
