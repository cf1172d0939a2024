import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../../base/api/client';
import { FormFrame } from '../../base/form/FormFrame';
import { FormSelect } from '../../base/form/FormSelect';
import { FormText } from '../../base/form/FormText';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { useWho } from '../../data/who';
import { dayIn } from '../../base/words/days';
import { cowKindWords, goesWords, handlingWords } from '../../base/words/herd';
import { cattleQuery } from '../../data/yard';
import { usePutCow } from '../../data/cattle';

type Sheet = Schemas['CowSheet'];

/** What a cow of a lot is before anything is said; it came today. */
export const freshCow = (kind: Schemas['CattleKind']): Omit<Sheet, 'came'> => ({
  tag: '',
  kind: kind === 'steers' ? 'steer' : kind === 'cows' ? 'cow' : 'heifer',
  weight_lb: null,
  tempo: 'slow',
  handling: 'well',
  done: false,
  note: '',
});

interface Props {
  label: string;
  cowId?: string;
  lotId: string;
  first: Omit<Sheet, 'came'> & { came?: string };
  onDone: () => void;
  /** After one is saved the next can be written down. */
  again?: boolean;
}

/** What is written down of a cow. */
export function CowForm({ label, cowId, lotId, first, onDone, again }: Props) {
  const { time_zone } = useWho();
  const lots = useQuery(cattleQuery);
  const put = usePutCow();
  const [sheet, setSheet] = useState<Sheet>({ came: dayIn(time_zone), ...first });
  const [inLot, setInLot] = useState(lotId);
  const wrong = fieldsOf(put.error);
  const change = (part: Partial<Sheet>) => setSheet({ ...sheet, ...part });
  const save = () =>
    put.mutate(
      { cowId, lotId: inLot, sheet },
      { onSuccess: () => (again ? change({ tag: '', weight_lb: null, note: '' }) : onDone()) },
    );
  return (
    <FormFrame
      label={label}
      save={again ? 'Save, next' : 'Save'}
      saving={put.isPending}
      onSave={save}
      onCancel={onDone}
      wrong={saidOfAll(put.error, ['/sheet/tag', '/sheet/weight_lb', '/sheet/came', '/sheet/note'])}
    >
      <FormText
        label="Tag"
        becomes="CowSheet/tag"
        value={sheet.tag}
        onText={(tag) => change({ tag })}
        wrong={wrong['/sheet/tag']}
        autoComplete="off"
      />
      <FormSelect
        label="How it goes from a horse"
        value={sheet.tempo}
        of={Object.entries(goesWords) as [Schemas['Tempo'], string][]}
        onPick={(tempo) => change({ tempo })}
      />
      <FormSelect
        label="Handling"
        value={sheet.handling}
        of={Object.entries(handlingWords) as [Schemas['Handling'], string][]}
        onPick={(handling) => change({ handling })}
      />
      <FormSelect
        label="Kind"
        value={sheet.kind}
        of={Object.entries(cowKindWords) as [Schemas['CowKind'], string][]}
        onPick={(kind) => change({ kind })}
      />
      <TextField
        type="number"
        label="Weight, pounds"
        value={sheet.weight_lb ?? ''}
        error={wrong['/sheet/weight_lb'] !== undefined}
        helperText={wrong['/sheet/weight_lb'] ?? 'Leave empty where nobody weighed it'}
        onChange={({ target }) =>
          change({ weight_lb: target.value === '' ? null : Math.round(Number(target.value)) })
        }
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
      />
      <TextField
        type="date"
        label="Came"
        value={sheet.came}
        error={wrong['/sheet/came'] !== undefined}
        helperText={wrong['/sheet/came']}
        onChange={({ target }) => change({ came: target.value })}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      {cowId && (lots.data?.length ?? 0) > 1 && (
        <FormSelect
          label="Lot"
          value={inLot}
          of={(lots.data ?? []).map((lot) => [lot.lot_id, lot.name] as const)}
          onPick={setInLot}
        />
      )}
      <FormText
        label="Notes"
        becomes="CowSheet/note"
        value={sheet.note ?? ''}
        onText={(note) => change({ note })}
        wrong={wrong['/sheet/note']}
        autoComplete="off"
      />
      {cowId && (
        <FormControlLabel
          control={
            <Switch checked={sheet.done ?? false} onChange={(_, done) => change({ done })} />
          }
          label="Done: out of training, my call"
        />
      )}
    </FormFrame>
  );
}
