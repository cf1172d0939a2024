import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import type { Recorder } from './useRecorder';

const RigPick = lazy(async () => ({ default: (await import('./RigPick')).RigPick }));

/** A ride that has not begun does not begin in tack its rider is not cleared for. */
export function NotCleared({ recorder }: { recorder: Recorder }) {
  const [picking, setPicking] = useState(false);
  const { rig, tack, stopped, putRig } = recorder.worn;
  return (
    <Box role="alert" sx={{ flex: 1, overflowY: 'auto', p: 2 }}>
      <Typography variant="h1">Not in this tack</Typography>
      {rig?.name && <Typography sx={{ mt: 0.5 }}>{rig.name}</Typography>}
      {stopped.map((why) => (
        <Typography key={why} sx={{ fontSize: '1.2rem', mt: 1.5 }}>
          {why}
        </Typography>
      ))}
      <Typography sx={{ mt: 1.5 }}>
        Take other tack, or ask a trainer. Trainers can change what people are cleared for under
        People.
      </Typography>
      <Box sx={{ display: 'grid', gap: 1.5, mt: 3 }}>
        <Button
          variant="contained"
          onClick={() => setPicking(true)}
          sx={{ minHeight: 76, fontSize: '1.2rem' }}
        >
          Take other tack
        </Button>
        <Button component={Link} to="/" sx={{ minHeight: 76, fontSize: '1.2rem' }}>
          Back to Today
        </Button>
      </Box>
      {picking && (
        <Suspense fallback={null}>
          <RigPick
            rig={rig}
            tack={tack}
            onClose={() => setPicking(false)}
            onPick={(picked) => {
              setPicking(false);
              void putRig(picked);
            }}
          />
        </Suspense>
      )}
    </Box>
  );
}
