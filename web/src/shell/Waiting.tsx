import Box from '@mui/material/Box';
import { keyframes } from '@emotion/react';

const turn = keyframes({ to: { transform: 'rotate(1turn)' } });
const run = keyframes({ from: { left: '-40%' }, to: { left: '100%' } });

/** Something is on its way. */
export function Waiting({ label, small = false }: { label: string; small?: boolean }) {
  const size = small ? 28 : 40;
  return (
    <Box
      role="progressbar"
      aria-label={label}
      sx={{
        width: size,
        height: size,
        m: small ? 0 : 4,
        border: '4px solid',
        borderColor: 'primary.main',
        borderTopColor: 'transparent',
        borderRadius: '50%',
        animation: `${turn} 1.2s linear infinite`,
      }}
    />
  );
}

/** The same as a bar along the top of the page. */
export function WaitingBar({ label }: { label: string }) {
  return (
    <Box
      role="progressbar"
      aria-label={label}
      sx={{
        position: 'fixed',
        insetInline: 0,
        top: 0,
        height: 5,
        zIndex: 'tooltip',
        overflow: 'hidden',
        bgcolor: 'divider',
        '&::after': {
          content: '""',
          position: 'absolute',
          insetBlock: 0,
          width: '40%',
          bgcolor: 'primary.main',
          animation: `${run} 1.4s ease-in-out infinite`,
        },
      }}
    />
  );
}
