import { count } from '../../base/words/plain';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Recorder } from './useRecorder';

/** Asks that the device could not write: said as loudly as a screen can. */
export function NotSaved({ recorder }: { recorder: Recorder }) {
  const { unsaved, retry } = recorder;
  if (unsaved === 0) return null;
  return (
    <Box
      role="alert"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        px: 2,
        py: 1,
        bgcolor: 'error.main',
        color: 'error.contrastText',
      }}
    >
      <Typography sx={{ flex: 1 }}>
        <strong>NOT SAVED: {count(unsaved, 'ask')}.</strong> The device can&apos;t store{' '}
        {unsaved === 1 ? 'it' : 'them'}. Leave this page open; it is tried again.
      </Typography>
      <Button
        variant="contained"
        onClick={retry}
        sx={{ minHeight: 56, bgcolor: 'background.paper', color: 'text.primary' }}
      >
        Try now
      </Button>
    </Box>
  );
}
