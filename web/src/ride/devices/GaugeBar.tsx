import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { sideWords } from '../../base/words/answers';
import { pullInWords } from '../../base/words/inches';
import { pairedGauge } from './paired';
import { useGauge } from './useGauge';

/** A pull this hard fills the bar, in newtons. */
const fullN = 30;

/** Both reins as they are pulled now, above the hand weight that the gauge fills in. */
export function GaugeBar() {
  const { how, readings } = useGauge(pairedGauge());
  const last = readings.at(-1);
  if (how !== 'heard' || !last)
    return (
      <Typography
        role="status"
        sx={{ px: 1, py: 0.5, borderTop: '1px solid', textAlign: 'center' }}
      >
        {how === 'gone' ? 'Gauge gone. Your thumb goes on.' : 'Looking for the gauge.'}
      </Typography>
    );
  return (
    <Box
      role="group"
      aria-label="Rein gauge"
      sx={{ display: 'flex', gap: 1, px: 1, py: 0.5, borderTop: '1px solid' }}
    >
      <Rein side="left" newtons={last.left_n} />
      <Rein side="right" newtons={last.right_n} />
    </Box>
  );
}

/** One rein: it grows outward from the middle, as the reins run. */
function Rein({ side, newtons }: { side: 'left' | 'right'; newtons: number }) {
  const share = Math.min(1, Math.max(0, newtons / fullN));
  const outward = side === 'left' ? 'row-reverse' : 'row';
  return (
    <Box sx={{ flex: 1, minWidth: 0 }}>
      <Typography variant="body2" sx={{ textAlign: side === 'left' ? 'right' : 'left' }}>
        {sideWords[side]} {pullInWords(newtons)}
      </Typography>
      <Box
        aria-hidden="true"
        sx={{ height: 10, border: '1.5px solid', display: 'flex', flexDirection: outward }}
      >
        <Box sx={{ width: `${share * 100}%`, bgcolor: 'text.primary' }} />
      </Box>
    </Box>
  );
}
