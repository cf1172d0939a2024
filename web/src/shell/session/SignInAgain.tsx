import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { FormEvent } from 'react';
import { useQueue } from '../../outbox/queue';
import { SignInFields, useSignInFields } from './SignInFields';
import { useWho } from '../../data/who';

/** Signing in again in place, as the same person. */
export function SignInAgain({ onClose }: { onClose: () => void }) {
  const who = useWho();
  const { tryRefusedAgain } = useQueue();
  const fields = useSignInFields();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    fields.send(() => {
      void tryRefusedAgain();
      onClose();
    });
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <Box component="form" onSubmit={submit}>
        <DialogTitle>Sign in as {who.name}</DialogTitle>
        <DialogContent>
          <SignInFields fields={fields} />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose} sx={{ minHeight: 56 }}>
            Later
          </Button>
          <Button
            type="submit"
            variant="contained"
            disabled={fields.pending}
            sx={{ minHeight: 56 }}
          >
            Sign in
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
