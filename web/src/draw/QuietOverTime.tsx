import { useTheme } from '@mui/material/styles';

interface Props {
  /** Minutes before earlier rides, oldest first. */
  minutes: number[];
  /** The same today, once it is known. */
  today: number | undefined;
}

const height = 44;
const bar = 9;

/** Minutes until quiet, ride by ride: a horse needs less and less; a day far above the others stands out. */
export function QuietOverTime({ minutes, today }: Props) {
  const { leather } = useTheme().palette;
  const all = today === undefined ? minutes : [...minutes, today];
  if (all.length < 3) return null;
  const most = Math.max(...all, 1);
  const sorted = [...minutes].sort((a, b) => a - b);
  const usual = sorted[Math.floor(sorted.length / 2)] ?? 0;
  const said = `Minutes until quiet over ${minutes.length} rides: usually ${Math.round(usual)}${
    today === undefined ? '' : `, today ${Math.round(today)}`
  }`;
  const y = (value: number) => height - 2 - (value / most) * (height - 6);
  return (
    <svg width={all.length * bar + 70} height={height} role="img" aria-label={said}>
      <title>{said}</title>
      {all.map((value, index) => (
        <rect
          key={index}
          x={index * bar}
          y={y(value)}
          width={bar - 3}
          height={height - 2 - y(value)}
          fill={today !== undefined && index === all.length - 1 ? leather.leather : leather.faded}
        />
      ))}
      <line
        x1={0}
        x2={all.length * bar}
        y1={y(usual)}
        y2={y(usual)}
        stroke={leather.ink}
        strokeDasharray="3 3"
      />
      <text
        x={all.length * bar + 4}
        y={Math.max(12, y(usual) + 4)}
        fontSize="0.8rem"
        fill={leather.ink}
      >
        {Math.round(usual)} min
      </text>
    </svg>
  );
}
