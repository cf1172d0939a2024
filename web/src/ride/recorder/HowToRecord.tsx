import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Link from '@mui/material/Link';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import type { Recorder } from './useRecorder';
import { howTo } from './howTo';
import { keysOn, turnKeys } from './keysOn';
import { turnRound, useIsUpsideDown } from './upsideDown';

/** How to record by thumb and by key. */
export function HowToRecord({ recorder, onClose }: { recorder: Recorder; onClose: () => void }) {
  const [on, setOn] = useState(keysOn);
  const turned = useIsUpsideDown();
  const { words, keys } = howTo(recorder);
  const turn = (next: boolean) => {
    turnKeys(next);
    setOn(next);
  };
  return (
    <Dialog open onClose={onClose}>
      <DialogTitle>How to record</DialogTitle>
      <DialogContent>
        {recorder.asked && <Typography sx={{ mb: 1 }}>{recorder.asked.ask}</Typography>}
        <Typography>{words}</Typography>
        <Box
          component="dl"
          sx={{ display: 'grid', gridTemplateColumns: 'auto 1fr', gap: '6px 16px' }}
        >
          {keys.map(([key, does]) => (
            <Box key={key} sx={{ display: 'contents' }}>
              <Typography component="dt" sx={{ fontWeight: 700 }}>
                {key}
              </Typography>
              <Typography component="dd" sx={{ m: 0 }}>
                {does}
              </Typography>
            </Box>
          ))}
        </Box>
        <FormControlLabel
          sx={{ mt: 1, minHeight: 48 }}
          control={<Switch checked={on} onChange={(_, next) => turn(next)} />}
          label="Single keys record"
        />
        <FormControlLabel
          sx={{ minHeight: 48 }}
          control={<Switch checked={turned} onChange={(_, next) => turnRound(next)} />}
          label="Turned round, for a helper across the rail"
        />
        <Typography sx={{ mt: 1 }}>
          <Link component={RouterLink} to="/settings" color="inherit">
            Settings: a clicker for the hand, spoken words
          </Link>
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
