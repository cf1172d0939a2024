import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../base/api/client';
import { count, percent } from '../base/words/plain';
import { rigInWords } from './rigInWords';

interface Props {
  shares: (Schemas['RigShare'] & { says?: string })[];
}

/** Soft shares by tack, one under the other: how much was soft, how sure that is. */
export function RigShares({ shares }: Props) {
  const { leather } = useTheme().palette;
  if (shares.length === 0) return null;
  return (
    <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, maxWidth: 640 }}>
      {shares.map((one) => (
        <Box component="li" key={`${one.rig.from} ${one.rig.name}`} sx={{ py: 1 }}>
          <Typography sx={{ fontWeight: 700 }}>
            {rigInWords(one.rig)}: {percent(one.soft / one.asked)} soft
            <Box component="span" sx={{ fontWeight: 400, color: 'text.secondary' }}>
              {' '}
              of {count(one.asked, 'ask')} on {count(one.days, 'day')}
            </Box>
          </Typography>
          <svg
            width="100%"
            height={22}
            preserveAspectRatio="none"
            viewBox="0 0 100 22"
            aria-hidden="true"
          >
            <line x1={0} y1={11} x2={100} y2={11} stroke={leather.line} strokeWidth={2} />
            <rect
              x={100 * one.low}
              y={7}
              width={100 * (one.high - one.low)}
              height={8}
              fill={leather.leather}
              opacity={0.45}
            />
            <rect
              x={(100 * one.soft) / one.asked - 0.5}
              y={2}
              width={1}
              height={18}
              fill={leather.ink}
            />
          </svg>
          {one.says && <Typography variant="body2">{one.says}</Typography>}
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            Likely between {percent(one.low)} and {percent(one.high)} (90% interval)
          </Typography>
        </Box>
      ))}
    </Box>
  );
}
