import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Recorder } from './useRecorder';

/** The other device on this ride finished it: said, and nothing is taken out of the hand. */
export function FinishedElsewhere({ recorder }: { recorder: Recorder }) {
  return (
    <Box
      role="status"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        px: 1.5,
        bgcolor: 'text.primary',
        color: 'background.default',
      }}
    >
      <Typography sx={{ flex: 1, fontWeight: 700 }}>Finished on the other device.</Typography>
      <Button
        variant="text"
        onClick={() => void recorder.finishRide()}
        sx={{ minHeight: 56, color: 'inherit', textDecoration: 'underline' }}
      >
        Finish here
      </Button>
    </Box>
  );
}
