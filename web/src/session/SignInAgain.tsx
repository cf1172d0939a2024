import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type FormEvent } from 'react';
import { useQueue } from '../queue/queue';
import { useSignIn } from './queries';
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
  const signIn = useSignIn();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    signIn.mutate(
      { sign_in: name, password },
      {
        onSuccess: () => {
          void tryRefusedAgain();
          onClose();
        },
      },
    );
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <Box component="form" onSubmit={submit}>
        <DialogTitle>Sign in as {who.name}</DialogTitle>
        <DialogContent>
          <TextField
            fullWidth
            required
            margin="dense"
            label="Username"
            autoComplete="username"
            value={name}
            onChange={(event) => setName(event.target.value)}
            slotProps={{ htmlInput: { autoCapitalize: 'none', spellCheck: false } }}
          />
          <TextField
            fullWidth
            required
            margin="dense"
            label="Password"
            type="password"
            autoComplete="current-password"
            value={password}
            onChange={(event) => setPassword(event.target.value)}
          />
          <Typography role="alert" sx={{ minHeight: '1.5em', color: 'error.main' }}>
            {signIn.error?.message}
          </Typography>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose} sx={{ minHeight: 56 }}>
            Later
          </Button>
          <Button
            type="submit"
            variant="contained"
            disabled={signIn.isPending}
            sx={{ minHeight: 56 }}
          >
            Sign in
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
