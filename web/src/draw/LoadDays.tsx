import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import type { Schemas } from '../base/api/client';
import { shortDay } from '../base/words/days';
import { useWidth } from './useWidth';

/** Days that are drawn. */
const shownDays = 42;
const height = 130;
const foot = 22;

/**
 * A post for each day as tall as its load, over them the weight of the last week (solid) and
 * of the last four weeks (dashed).
 */
export function LoadDays({ days }: { days: Schemas['LoadOfDay'][] }) {
  const { leather } = useTheme().palette;
  const [ref, width] = useWidth<HTMLDivElement>();
  const shown = days.slice(-shownDays);
  const most = Math.max(60, ...shown.map(({ load }) => load));
  const step = (width - 8) / shownDays;
  const x = (index: number) => 4 + (shownDays - shown.length + index) * step;
  const y = (load: number) => 6 + (1 - load / most) * (height - foot - 6);
  const line = (of: (day: Schemas['LoadOfDay']) => number) =>
    shown.map((day, index) => `${x(index) + step / 2},${y(of(day))}`).join(' ');
  const last = shown.at(-1);
  const ridden = shown.filter(({ load }) => load > 0).length;
  const said = `Work load of ${shown.length} days, ${ridden} of them ridden; now ${Math.round(
    last?.acute ?? 0,
  )} a day over the last week, ${Math.round(last?.chronic ?? 0)} over the last four.`;
  return (
    <Box ref={ref}>
      {width > 0 && (
        <svg width={width} height={height} role="img" aria-label={said}>
          <title>{said}</title>
          {shown.map(({ day, load, rated }, index) => (
            <rect
              key={day}
              x={x(index) + 1}
              y={y(load)}
              width={Math.max(2, step - 3)}
              height={Math.max(0, height - foot - y(load))}
              fill={rated ? leather.leather : leather.paper}
              stroke={leather.leather}
              strokeWidth={1.5}
            />
          ))}
          <line x1={0} x2={width} y1={height - foot} y2={height - foot} stroke={leather.ink} />
          <polyline
            points={line((day) => day.chronic)}
            fill="none"
            stroke={leather.water}
            strokeWidth={3}
            strokeDasharray="7 5"
          />
          <polyline
            points={line((day) => day.acute)}
            fill="none"
            stroke={leather.ink}
            strokeWidth={3}
          />
          {shown.map(({ day }, index) =>
            (shown.length - 1 - index) % 14 === 0 ? (
              <text
                key={day}
                x={Math.min(width - 2, x(index) + step / 2)}
                y={height - 5}
                fontSize="0.85rem"
                textAnchor={index > shown.length - 4 ? 'end' : 'middle'}
                fill={leather.ink}
              >
                {shortDay(day)}
              </text>
            ) : null,
          )}
        </svg>
      )}
      <Box
        component="p"
        sx={{ m: 0, fontSize: '0.95rem', display: 'flex', flexWrap: 'wrap', columnGap: 3 }}
      >
        <span>
          <Dash /> last week
        </span>
        <span>
          <Dash dashed /> last four weeks
        </span>
        {shown.some(({ rated }) => rated) && <span>filled: you said how hard</span>}
      </Box>
    </Box>
  );
}

function Dash({ dashed = false }: { dashed?: boolean }) {
  const { leather } = useTheme().palette;
  return (
    <svg width={30} height={10} aria-hidden="true">
      <line
        x1={0}
        x2={30}
        y1={5}
        y2={5}
        strokeWidth={3}
        stroke={dashed ? leather.water : leather.ink}
        strokeDasharray={dashed ? '7 5' : undefined}
      />
    </svg>
  );
}
