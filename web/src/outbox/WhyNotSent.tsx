import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { count } from '../base/words/plain';
import { useQueue } from './queue';
import type { SenderState } from './Sender';

const because: Record<SenderState, string> = {
  'at rest': 'Sending in a moment.',
  sending: 'Sending now.',
  'no signal': "No signal. They'll send when it's back.",
  'signed out': 'Sign in again to send them.',
  'another person':
    "Someone else is signed in on this browser. They'll send when you sign in again.",
  update: "There's a newer Cavesson. Finish the ride, then reload to update and send them.",
  'not taken': '',
};

/** Why something is still only on this device. */
export function WhyNotSent({ waiting, onClose }: { waiting: number; onClose: () => void }) {
  const { state, why, kick } = useQueue();
  return (
    <Dialog open onClose={onClose}>
      <DialogTitle>Not sent yet</DialogTitle>
      <DialogContent>
        <Typography>
          {count(waiting, 'entry', 'entries')} kept on this device. {because[state]}
          {state === 'not taken' && `They couldn't be saved: ${why}.`}
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={kick}>Try now</Button>
        <Button variant="contained" onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
