import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, client, type Schemas } from '../../base/api/client';
import { TimeZone } from '../join/TimeZone';
import { unitWords } from '../join/units';
import { FormFrame } from '../../base/form/FormFrame';
import { FormSelect } from '../../base/form/FormSelect';
import { FormText } from '../../base/form/FormText';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { useSave } from '../../data/save';
import { Section } from '../../shell/Section';
import { sessionQuery } from '../../data/session';
import { useWho } from '../../data/who';

/** The barn's name, time zone and units: for everybody, on every device. */
export function TheBarn() {
  const { barn, handle, time_zone, units } = useWho();
  const sheet = useQuery({
    queryKey: ['barn'],
    queryFn: () => answer(client.GET('/api/barn')),
  });
  const [open, setOpen] = useState(false);
  return (
    <Section title="The barn" intro="For everybody here.">
      {open && sheet.data ? (
        <BarnForm first={sheet.data} onDone={() => setOpen(false)} />
      ) : (
        <>
          <Typography>
            {barn}, {time_zone.replaceAll('_', ' ')},{' '}
            {unitWords.find(([one]) => one === units)?.[1].toLowerCase()}. Usernames end in @
            {handle}.{sheet.data && ` Trips that ask nothing: ${sheet.data.quiet_outings_pct}%.`}
          </Typography>
          <Button onClick={() => setOpen(true)} sx={{ mt: 1.5, mr: 1.5 }}>
            Change the barn
          </Button>
          <Button component={Link} to="/records" sx={{ mt: 1.5, mr: 1.5 }}>
            Records in and out
          </Button>
          <Button component={Link} to="/changes" sx={{ mt: 1.5 }}>
            Who changed what
          </Button>
        </>
      )}
    </Section>
  );
}

function BarnForm({ first, onDone }: { first: Schemas['BarnSheet']; onDone: () => void }) {
  const queries = useQueryClient();
  const [sheet, setSheet] = useState(first);
  const change = useSave((body: Schemas['BarnSheet']) => answer(client.PUT('/api/barn', { body })));
  const wrong = fieldsOf(change.error);
  const changed = () => {
    void queries.invalidateQueries({ queryKey: sessionQuery.queryKey });
    onDone();
  };
  return (
    <FormFrame
      label="The barn"
      save="Save"
      saving={change.isPending}
      onSave={() => change.mutate(sheet, { onSuccess: changed })}
      onCancel={onDone}
      wrong={saidOfAll(change.error, ['/name', '/time_zone', '/quiet_outings_pct'])}
    >
      <FormText
        label="What the barn is called"
        becomes="BarnSheet/name"
        value={sheet.name}
        onText={(name) => setSheet({ ...sheet, name })}
        wrong={wrong['/name']}
      />
      <TimeZone
        value={sheet.time_zone}
        onZone={(time_zone) => setSheet({ ...sheet, time_zone })}
        wrong={wrong['/time_zone']}
      />
      <FormSelect
        label="Units"
        value={sheet.units}
        of={unitWords}
        onPick={(units) => setSheet({ ...sheet, units })}
      />
      <TextField
        label="Trips that ask nothing, percent"
        value={sheet.quiet_outings_pct}
        error={wrong['/quiet_outings_pct'] !== undefined}
        helperText={
          wrong['/quiet_outings_pct'] ??
          'Of all trips with the trailer, so that it does not only mean work.'
        }
        onChange={({ target }) =>
          setSheet({ ...sheet, quiet_outings_pct: Number(target.value.replace(/\D/g, '')) })
        }
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
      />
    </FormFrame>
  );
}
