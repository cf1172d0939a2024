import { useTheme } from '@mui/material/styles';
import { pullInWords } from '../../base/words/inches';
import type { Ask, Reading } from './gaugeLink';

const [wide, high, middle] = [760, 200, 100];
/** Seconds that are seen. */
const spanS = 10;
/** A pull this hard reaches the edge, in newtons. */
const fullN = 40;

interface Props {
  readings: Reading[];
  asks: Ask[];
}

/** The last ten seconds of both reins: the left one upward, the right one downward. */
export function ReinsLive({ readings, asks }: Props) {
  const { palette } = useTheme();
  const now = readings.at(-1)?.at_s ?? 0;
  const x = (at: number) => wide - ((now - at) / spanS) * wide;
  const far = (newtons: number) => (Math.min(fullN, Math.max(0, newtons)) / fullN) * (middle - 14);
  const line = (of: (reading: Reading) => number, sign: 1 | -1) =>
    readings.map((one) => `${x(one.at_s).toFixed(1)},${(middle - sign * far(of(one))).toFixed(1)}`);
  const seen = asks.filter(({ release_s }) => release_s > now - spanS);
  const last = readings.at(-1);
  const said = last
    ? `Left rein ${pullInWords(last.left_n)}, right rein ${pullInWords(last.right_n)}`
    : 'No pull to see';
  return (
    <svg
      viewBox={`0 0 ${wide} ${high}`}
      role="img"
      aria-label={said}
      style={{ width: '100%', display: 'block', font: 'inherit' }}
    >
      <line x1={0} x2={wide} y1={middle} y2={middle} stroke={palette.text.secondary} />
      {seen.map(({ onset_s, release_s, side }) => (
        <rect
          key={`${onset_s} ${side}`}
          x={x(onset_s)}
          width={Math.max(2, x(release_s) - x(onset_s))}
          y={side === 'right' ? middle : 0}
          height={side === 'both' ? high : middle}
          fill={palette.text.primary}
          opacity={0.09}
        />
      ))}
      <polyline
        points={line(({ left_n }) => left_n, 1).join(' ')}
        fill="none"
        stroke={palette.text.primary}
        strokeWidth={2.5}
      />
      <polyline
        points={line(({ right_n }) => right_n, -1).join(' ')}
        fill="none"
        stroke={palette.text.primary}
        strokeWidth={2.5}
        strokeDasharray="7 4"
      />
      <text x={4} y={16} fontSize={15} fill={palette.text.primary}>
        Left {last ? pullInWords(last.left_n) : ''}
      </text>
      <text x={4} y={high - 6} fontSize={15} fill={palette.text.primary}>
        Right {last ? pullInWords(last.right_n) : ''}
      </text>
    </svg>
  );
}
