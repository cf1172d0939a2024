import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { useSignOut } from '../data/session';
import { useWho } from '../data/who';
import { useQueue } from './queue';
import { count } from '../base/words/plain';

/** Sends what waits first; what cannot go out now is said, with what becomes of it. */
export function SignOut({ onClose }: { onClose: () => void }) {
  const who = useWho();
  const { sendAll } = useQueue();
  const signOut = useSignOut();
  const [left, setLeft] = useState<number | null>(null);
  const started = useRef(false);
  const { mutate } = signOut;
  useEffect(() => {
    if (started.current) return;
    started.current = true;
    void sendAll().then((waiting) => {
      if (waiting === 0) mutate(who);
      else setLeft(waiting);
    });
  }, [sendAll, mutate, who]);
  return (
    <Dialog open onClose={onClose}>
      <DialogTitle>{left === null ? 'Signing out' : 'Not everything is sent yet'}</DialogTitle>
      <DialogContent>
        <Typography role="status">
          {left === null
            ? 'Sending what you recorded.'
            : `${count(left, 'entry is', 'entries are')} still only on this device. ${
                left === 1 ? 'It stays' : 'They stay'
              } here, and ${left === 1 ? 'goes' : 'go'} out when you sign in here again. Nobody else sees ${
                left === 1 ? 'it' : 'them'
              }.`}
        </Typography>
        {signOut.error && <Typography role="alert">{signOut.error.message}</Typography>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} sx={{ minHeight: 48 }}>
          Stay signed in
        </Button>
        {left !== null && (
          <Button variant="contained" onClick={() => mutate(who)} sx={{ minHeight: 48 }}>
            Sign out anyway
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
