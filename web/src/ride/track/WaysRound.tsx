import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useTheme } from '@mui/material/styles';
import { hoursWords } from '../../base/words/hours';
import type { Track } from './track';

/** Minutes turning each way, as planks out of one post: left is left. */
export function WaysRound({ ways: { left_min, right_min } }: { ways: Track['ways'] }) {
  const { leather } = useTheme().palette;
  const both = left_min + right_min;
  if (both < 0.5) return <Typography>Hardly any turning.</Typography>;
  const [left, right] = [left_min / both, right_min / both];
  const said = (minutes: number) =>
    minutes < 1 ? `${Math.round(60 * minutes)} s` : hoursWords(Math.round(minutes));
  return (
    <Box sx={{ maxWidth: 460 }}>
      <svg
        viewBox="0 0 400 46"
        width="100%"
        role="img"
        aria-label={`To the left ${said(left_min)}, to the right ${said(right_min)}`}
      >
        <rect
          x={196 - 190 * left}
          y={12}
          width={190 * left}
          height={22}
          fill={leather.leather}
          stroke={leather.ink}
          strokeWidth={2}
        />
        <rect
          x={204}
          y={12}
          width={190 * right}
          height={22}
          fill={leather.leather}
          stroke={leather.ink}
          strokeWidth={2}
        />
        <rect x={194} y={2} width={12} height={42} fill={leather.ink} />
      </svg>
      <Typography>
        Left {said(left_min)}, right {said(right_min)}.
      </Typography>
    </Box>
  );
}
