import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client, type Schemas } from '../../base/api/client';
import { FormFrame } from '../../base/form/FormFrame';
import { FormText } from '../../base/form/FormText';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { useSave } from '../../data/save';
import { Section } from '../../shell/Section';
import { count } from '../../base/words/plain';

const devicesQuery = queryOptions({
  queryKey: ['devices'],
  queryFn: () => answer(client.GET('/api/account/devices')),
});

/** One's own sign-in: another password, and the other devices. */
export function Account() {
  const devices = useQuery(devicesQuery);
  const end = useSave(() => answer(client.DELETE('/api/account/devices')));
  const others = (devices.data?.signed_in ?? 1) - 1;
  return (
    <Section title="Your sign-in" intro="For you, on every device.">
      <Typography>
        {others > 0
          ? `You are signed in on ${count(others, 'other device')}.`
          : 'You are signed in on this device only.'}
      </Typography>
      {others > 0 && (
        <Button
          disabled={end.isPending}
          onClick={() => end.mutate(undefined)}
          sx={{ mt: 1.5, mr: 1.5 }}
        >
          Sign out the others
        </Button>
      )}
      {end.isError && <Typography role="alert">{end.error.message}</Typography>}
      <NewPassword />
    </Section>
  );
}

const empty = { now: '', new: '' };

function NewPassword() {
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState<Schemas['NewPassword']>(empty);
  const change = useSave((body: Schemas['NewPassword']) =>
    answer(client.PUT('/api/account/password', { body })),
  );
  const close = () => {
    setOpen(false);
    setTyped(empty);
  };
  if (!open)
    return (
      <>
        {change.isSuccess && <Typography role="status">Changed.</Typography>}
        <Button
          onClick={() => {
            change.reset();
            setOpen(true);
          }}
          sx={{ mt: 1.5 }}
        >
          Change your password
        </Button>
      </>
    );
  const wrong = fieldsOf(change.error);
  return (
    <FormFrame
      label="Change your password"
      save="Change"
      saving={change.isPending}
      onSave={() => change.mutate(typed, { onSuccess: close })}
      onCancel={close}
      wrong={saidOfAll(change.error, ['/now', '/new'])}
    >
      <FormText
        label="Password now"
        type="password"
        becomes="NewPassword/now"
        value={typed.now}
        onText={(now) => setTyped({ ...typed, now })}
        wrong={wrong['/now']}
        autoComplete="current-password"
      />
      <FormText
        label="New password"
        type="password"
        becomes="NewPassword/new"
        value={typed.new}
        onText={(text) => setTyped({ ...typed, new: text })}
        wrong={wrong['/new']}
        helperText="Eight characters or more. Your other devices are signed out."
        autoComplete="new-password"
      />
    </FormFrame>
  );
}
