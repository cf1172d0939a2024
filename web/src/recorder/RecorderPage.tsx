import Box from '@mui/material/Box';
import { ThemeProvider } from '@mui/material/styles';
import { useMemo } from 'react';
import { useLight } from '../theme/light';
import { themeFor } from '../theme/theme';
import { HandBar } from './HandBar';
import { Halves } from './Halves';
import { LastAsk } from './LastAsk';
import { RecorderHead } from './RecorderHead';
import { useRecorder } from './useRecorder';

/** The recorder: dark on light for the sun, unless the evening theme is on. */
export function RecorderPage() {
  const { light } = useLight();
  const theme = useMemo(() => themeFor(light === 'evening' ? 'evening' : 'sun'), [light]);
  const recorder = useRecorder();
  return (
    <ThemeProvider theme={theme}>
      <title>Ride · Cavesson</title>
      <Box
        component="main"
        sx={{
          height: '100dvh',
          display: 'flex',
          flexDirection: 'column',
          bgcolor: 'background.default',
          color: 'text.primary',
          userSelect: 'none',
          WebkitUserSelect: 'none',
          overflow: 'hidden',
        }}
      >
        <RecorderHead recorder={recorder} />
        <Halves recorder={recorder} />
        <HandBar hand={recorder.hand} onHand={recorder.setHand} />
        <LastAsk recorder={recorder} />
      </Box>
    </ThemeProvider>
  );
}
