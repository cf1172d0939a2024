import Typography from '@mui/material/Typography';
import type { StringHorse } from './string';
import { heatInWords } from '../../base/words/heat';

/** How hot it will be, where that changes the ride. */
export function HeatLine({ heat }: { heat: StringHorse['heat'] }) {
  if (!heat || heat.band === 'usual') return null;
  return (
    <Typography sx={{ fontWeight: 700 }}>
      {heatInWords(heat)}. {heat.advice}
    </Typography>
  );
}
