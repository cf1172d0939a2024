import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useState, type FormEvent } from 'react';
import { useQueue } from '../queue/queue';
import { SignInFields, useSignInFields } from './SignInFields';
import { useWho } from './who';

/** The session ended in the middle of a ride: said, and mended in place. Recording goes on. */
export function SignedOutBar() {
  const [open, setOpen] = useState(false);
  return (
    <Box
      role="alert"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        px: 2,
        py: 0.5,
        bgcolor: 'text.primary',
        color: 'background.default',
      }}
    >
      <Typography sx={{ flex: 1 }}>Signed out. What you record is kept here.</Typography>
      <Button
        variant="contained"
        onClick={() => setOpen(true)}
        sx={{ minHeight: 56, bgcolor: 'background.paper', color: 'text.primary' }}
      >
        Sign in
      </Button>
      {open && <SignInAgain onClose={() => setOpen(false)} />}
    </Box>
  );
}

function SignInAgain({ onClose }: { onClose: () => void }) {
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
