import { useTheme } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import { count } from '../../base/words/plain';

/** As many as are looked at; what is further back weighs next to nothing. */
const most = 40;
const step = 18;

/** Each time a cow was headed: a post where it stopped, a gap with the rail down where not. */
export function Headings({ stopped }: { stopped: boolean[] }) {
  const { palette } = useTheme();
  if (stopped.length === 0) return <Typography>Never headed yet.</Typography>;
  const shown = stopped.slice(-most);
  const yes = shown.filter(Boolean).length;
  const width = shown.length * step + 8;
  return (
    <svg
      width="100%"
      viewBox={`0 0 ${width} 52`}
      style={{ maxWidth: width * 1.4, display: 'block' }}
      role="img"
      aria-label={`Stopped ${yes} of the last ${count(shown.length, 'time')} it was headed; ${
        shown.at(-1) ? 'the last time it stopped' : 'the last time it ran through'
      }`}
    >
      <line x1={0} x2={width} y1={48} y2={48} stroke={palette.divider} />
      {shown.map((stops, index) => {
        const x = 4 + index * step;
        return stops ? (
          <rect key={index} x={x} y={10} width={10} height={38} fill={palette.text.primary} />
        ) : (
          <g key={index} stroke={palette.text.primary} strokeWidth={2.5} fill="none">
            <path d={`M ${x - 1} 46 L ${x + 11} 36`} />
            <path d={`M ${x + 1} 30 l 8 0 m -4 -4 l 4 4 l -4 4`} strokeWidth={2} />
          </g>
        );
      })}
    </svg>
  );
}
