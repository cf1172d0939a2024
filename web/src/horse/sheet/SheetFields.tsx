import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../base/api/client';
import { FormSelect } from '../../base/form/FormSelect';
import { FormText } from '../../base/form/FormText';
import { peopleQuery } from '../../data/people';
import { programsQuery } from '../../data/programs';
import type { Sheet } from '../../data/horses';

const sexes: [Schemas['Sex'], string][] = [
  ['mare', 'Mare'],
  ['gelding', 'Gelding'],
  ['stallion', 'Stallion'],
];

/** The fields of a sheet in which something can be wrong. */
export const sheetFields = [
  '/name',
  '/sex',
  '/foaled',
  '/color',
  '/markings',
  '/note',
  '/owner_id',
  '/program_id',
];

interface Props {
  sheet: Sheet;
  onSheet: (sheet: Sheet) => void;
  wrong: Record<string, string>;
}

/** What is written down of a horse. */
export function SheetFields({ sheet, onSheet, wrong }: Props) {
  const people = useQuery(peopleQuery);
  const programs = useQuery(programsQuery);
  const put = (change: Partial<Sheet>) => onSheet({ ...sheet, ...change });
  const owners = (people.data ?? []).filter(({ role, left_at }) => role === 'owner' && !left_at);
  return (
    <>
      <FormText
        label="Name"
        becomes="HorseSheet/name"
        value={sheet.name}
        onText={(name) => put({ name })}
        wrong={wrong['/name']}
        autoComplete="off"
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 2 }}>
        <FormSelect label="Sex" value={sheet.sex} of={sexes} onPick={(sex) => put({ sex })} />
        <TextField
          label="Foaled"
          type="number"
          value={sheet.foaled || ''}
          error={wrong['/foaled'] !== undefined}
          helperText={wrong['/foaled'] ?? 'The year'}
          onChange={({ target }) => put({ foaled: Math.round(Number(target.value)) })}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        />
      </Box>
      <FormText
        label="Color"
        becomes="HorseSheet/color"
        value={sheet.color}
        onText={(color) => put({ color })}
        wrong={wrong['/color']}
        autoComplete="off"
      />
      <FormText
        label="Markings"
        becomes="HorseSheet/markings"
        value={sheet.markings ?? ''}
        onText={(markings) => put({ markings })}
        wrong={wrong['/markings']}
        helperText="White, brands, scars"
        autoComplete="off"
      />
      <FormSelect
        label="Owner"
        value={sheet.owner_id ?? ''}
        of={[
          ['', 'Nobody who signs in here'],
          ...owners.map(({ person_id, name }): [string, string] => [person_id, name]),
        ]}
        onPick={(owner_id) => put({ owner_id: owner_id || null })}
        wrong={wrong['/owner_id']}
      />
      <FormSelect
        label="Program"
        value={sheet.program_id ?? ''}
        of={[
          ['', 'Standard ladder'],
          ...(programs.data ?? []).map(({ program_id, name }): [string, string] => [
            program_id,
            name,
          ]),
        ]}
        onPick={(program_id) => put({ program_id: program_id || null })}
        wrong={wrong['/program_id']}
      />
      <FormText
        label="Notes"
        becomes="HorseSheet/note"
        value={sheet.note ?? ''}
        onText={(note) => put({ note })}
        wrong={wrong['/note']}
        multiline
        minRows={2}
      />
    </>
  );
}
