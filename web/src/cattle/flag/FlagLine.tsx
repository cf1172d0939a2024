import { useTheme } from '@mui/material/styles';
import type { FlagSaid } from './useFlag';

const width = 360;
const height = 58;
const end = 16;

/** The flag on its line as it goes: a pennant that leans with its way. */
export function FlagLine({ flag }: { flag: FlagSaid }) {
  const { palette } = useTheme();
  const ink = palette.text.primary;
  const at = (feet: number) => end + (feet / flag.width_ft) * (width - 2 * end);
  const x = at(flag.at.at_ft);
  const lean = Math.max(-12, Math.min(12, -flag.at.speed_ft_s));
  const ticks = Array.from(
    { length: Math.floor(flag.width_ft / 10) + 1 },
    (_, index) => index * 10,
  );
  const { at_ft, speed_ft_s, state } = flag.at;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      style={{ width: '100%', maxWidth: 720, display: 'block' }}
      role="img"
      aria-label={`Flag at ${Math.round(at_ft)} ft of ${Math.round(flag.width_ft)}, ${
        state === 'runs' ? `${Math.abs(Math.round(speed_ft_s))} ft a second` : state
      }`}
      data-at-ft={at_ft.toFixed(2)}
      data-state={state}
    >
      <line x1={end} x2={width - end} y1={40} y2={40} stroke={ink} strokeWidth={3} />
      {ticks.map((feet) => (
        <g key={feet}>
          <line x1={at(feet)} x2={at(feet)} y1={40} y2={46} stroke={ink} strokeWidth={2} />
          {feet % 20 === 0 && (
            <text x={at(feet)} y={57} fontSize="11" textAnchor="middle" fill={ink}>
              {feet}
            </text>
          )}
        </g>
      ))}
      <path
        d={`M ${x} 40 L ${x} 6 L ${x + 18 + lean} 14 L ${x} 22`}
        fill={state === 'stopped' ? 'none' : ink}
        stroke={ink}
        strokeWidth={3}
        strokeLinejoin="round"
      />
    </svg>
  );
}
