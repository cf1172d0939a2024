import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { taughtClicker } from '../clicker/taught';
import { nextSide } from '../clicker/useClicker';
import type { Recorder } from './useRecorder';

/** How it is asked; a good place to quit, when the last ask was one. Its room is always kept. */
export function Hint({ recorder }: { recorder: Recorder }) {
  const { quit, asked, sides } = recorder;
  const [alone] = useState(() => taughtClicker()?.length === 1);
  // With one button the sides take turns: which is next is said before how it is asked.
  const turn = alone && sides.length > 1 ? `Clicker: ${nextSide(recorder)} next. ` : '';
  return (
    <Typography
      role="status"
      sx={{
        px: 1.5,
        height: 44,
        overflow: 'hidden',
        lineHeight: '22px',
        // Two lines; the help has the whole of it.
        display: '-webkit-box',
        WebkitBoxOrient: 'vertical',
        WebkitLineClamp: 2,
        fontWeight: quit ? 700 : 400,
        bgcolor: quit ? 'text.primary' : 'transparent',
        color: quit ? 'background.default' : 'text.primary',
      }}
    >
      {quit || `${turn}${asked?.ask ?? ''}`}
    </Typography>
  );
}
