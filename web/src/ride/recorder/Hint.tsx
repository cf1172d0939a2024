import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { taughtClicker } from './clicker/taught';
import { nextSide } from './useClicker';
import type { Recorder } from './useRecorder';

/**
 * How it is asked; a good place to quit, when the last ask was one; that it is too fast for the
 * brake. Its room is always kept.
 */
export function Hint({ recorder }: { recorder: Recorder }) {
  const { brake, quit, asked, sides, looking, storage } = recorder;
  const said = brake || quit;
  const [alone] = useState(() => taughtClicker()?.length === 1);
  const hears = storage === 'ready' && !looking;
  // With one button the sides take turns: which is next is said before how it is asked, and
  // not before a press is heard.
  const turn = alone && hears && sides.length > 1 ? `Clicker: ${nextSide(recorder)} next. ` : '';
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
        fontWeight: said ? 700 : 400,
        bgcolor: said ? 'text.primary' : 'transparent',
        color: said ? 'background.default' : 'text.primary',
      }}
    >
      {said || `${turn}${asked?.ask ?? ''}`}
    </Typography>
  );
}
