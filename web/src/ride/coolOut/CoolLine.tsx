import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../base/api/client';
import { shownTemperature, temperatureUnit } from '../../base/words/units';

/** What the line of the rule lies at. */
const under = 64;
const width = 320;
const height = 120;
const left = 34;

/** Pulse by the minute, going down to the line it has to be under. */
export function CoolLine({
  readings,
  minute,
}: {
  readings: Schemas['CoolReading'][];
  minute?: number;
}) {
  const { leather } = useTheme().palette;
  if (readings.length === 0) return null;
  const last = Math.max(20, minute ?? 0, ...readings.map((one) => one.minute));
  const most = Math.max(100, ...readings.map(({ pulse }) => pulse));
  const x = (at: number) => left + (at / last) * (width - left - 12);
  const y = (pulse: number) => 8 + ((most - pulse) / (most - 30)) * (height - 30);
  const points = readings.map((one) => `${x(one.minute)},${y(one.pulse)}`).join(' ');
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 3, alignItems: 'center', my: 1 }}>
      <svg width={width} height={height} aria-hidden="true">
        <line
          x1={left}
          x2={width - 12}
          y1={y(under)}
          y2={y(under)}
          stroke={leather.ink}
          strokeDasharray="5 4"
          strokeWidth={2}
        />
        <text x={0} y={y(under) + 5} fontSize="0.9rem" fill={leather.ink}>
          {under}
        </text>
        {[0, 10, 20].map((at) => (
          <text
            key={at}
            x={x(at)}
            y={height - 4}
            fontSize="0.9rem"
            textAnchor="middle"
            fill={leather.ink}
          >
            {at}
          </text>
        ))}
        <polyline points={points} fill="none" stroke={leather.leather} strokeWidth={4} />
        {readings.map((one) => (
          <circle
            key={one.minute}
            cx={x(one.minute)}
            cy={y(one.pulse)}
            r={7}
            fill={one.pulse < under ? leather.leather : leather.paper}
            stroke={leather.leather}
            strokeWidth={3}
          />
        ))}
      </svg>
      <Box component="ul" aria-label="Taken" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {readings.map((one) => (
          <Typography component="li" key={one.minute} sx={{ fontVariantNumeric: 'tabular-nums' }}>
            {one.minute} min: pulse <strong>{one.pulse}</strong>, breathing {one.breaths}
            {one.temperature_f != null &&
              `, ${shownTemperature(one.temperature_f)} ${temperatureUnit()}`}
          </Typography>
        ))}
      </Box>
    </Box>
  );
}
