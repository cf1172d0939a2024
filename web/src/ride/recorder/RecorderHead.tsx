import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { KeptHere } from '../../outbox/KeptHere';
import { KeysHelp } from './KeysHelp';
import type { Recorder } from './useRecorder';

/** Which horse, what is asked, and the way out. */
export function RecorderHead({ recorder }: { recorder: Recorder }) {
  return (
    <Box component="header" sx={{ display: 'flex', alignItems: 'center', gap: 1, px: 1, pt: 0.5 }}>
      <Button
        component={Link}
        to="/"
        variant="text"
        aria-label="Back to Today; the ride stays open"
        sx={{ minWidth: 72, minHeight: 72, fontSize: '1.8rem', color: 'text.primary' }}
      >
        ‹
      </Button>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography variant="h1" noWrap sx={{ fontSize: '1.5rem' }}>
          {recorder.horseName || ' '}
        </Typography>
        <Typography sx={{ lineHeight: 1.2 }}>{recorder.name}</Typography>
      </Box>
      <KeptHere />
      <KeysHelp recorder={recorder} />
    </Box>
  );
}
