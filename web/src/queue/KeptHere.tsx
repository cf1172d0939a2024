import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { answerWords, seconds, sideWords } from '../words/answers';
import { tryRefusedAgain } from './keep';
import { useQueue } from './queue';

/** Says how much is still only on this device; opens to what and why. Silent when nothing is. */
export function KeptHere() {
  const { db, state, says, kick } = useQueue();
  const [open, setOpen] = useState(false);
  const waiting = useLiveQuery(() => db.reps.where('state').equals('waiting').count(), [db]) ?? 0;
  const refused =
    useLiveQuery(() => db.reps.where('state').equals('refused').toArray(), [db]) ?? [];
  if (waiting + refused.length === 0) return null;
  const again = async () => {
    await tryRefusedAgain(db);
    kick();
  };
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)} sx={{ whiteSpace: 'nowrap' }}>
        {refused.length > 0 ? `${refused.length} to look at` : `${waiting} kept here`}
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)}>
        <DialogTitle>Kept on this device</DialogTitle>
        <DialogContent>
          {waiting > 0 && (
            <Typography>
              {waiting} {waiting === 1 ? 'ask waits' : 'asks wait'} to be sent
              {state === 'no signal' && '; there is no signal now. They go out by themselves'}
              {state === 'signed out' && '; sign in again to send them'}
              {state === 'not taken' && `; the barn did not take them: ${says}`}.
            </Typography>
          )}
          {refused.length > 0 && (
            <>
              <Typography sx={{ mt: 1 }}>
                The barn did not take these. They are not lost:
              </Typography>
              <ul>
                {refused.map((rep) => (
                  <li key={rep.repId}>
                    {sideWords[rep.side]}, {seconds(rep.measure.time_s)},{' '}
                    {answerWords[rep.measure.answer]}: {rep.refusedBecause}
                  </li>
                ))}
              </ul>
            </>
          )}
        </DialogContent>
        <DialogActions>
          {(refused.length > 0 || waiting > 0) && (
            <Button onClick={() => void again()}>Try again now</Button>
          )}
          <Button variant="contained" onClick={() => setOpen(false)}>
            Close
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
