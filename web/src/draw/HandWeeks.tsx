import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import type { Schemas } from '../base/api/client';
import { shortDay } from '../base/words/days';
import { handWords } from '../base/words/tack';
import { useWidth } from './useWidth';

const classes = Object.keys(handWords) as Schemas['HandWeight'][];
const step = 26;
const side = 104;
const foot = 24;

/** Hand weight by the week: a bar to what half of the asks took, open above it to one in ten. */
export function HandWeeks({ name, weeks }: { name: string; weeks: Schemas['HandWeek'][] }) {
  const { leather } = useTheme().palette;
  const [ref, width] = useWidth<HTMLDivElement>();
  const height = classes.length * step;
  const wide = Math.min(44, (width - side) / Math.max(weeks.length, 1));
  const top = (hand: Schemas['HandWeight']) => height - (classes.indexOf(hand) + 1) * step;
  const said = `${name}: ${weeks
    .map(
      ({ monday, middle, heavy }) =>
        `week of ${shortDay(monday)} mostly ${handWords[middle]}, heaviest ${handWords[heavy]}`,
    )
    .join('; ')}`;
  return (
    <Box ref={ref}>
      {width > 0 && (
        <svg width={width} height={height + foot} role="img" aria-label={said}>
          <title>{said}</title>
          {classes.map((hand, index) => (
            <g key={hand}>
              <line
                x1={side}
                x2={width}
                y1={height - index * step}
                y2={height - index * step}
                stroke={leather.line}
                strokeWidth={0.75}
              />
              <text
                x={0}
                y={height - index * step - step / 2 + 5}
                fontSize={14}
                fill={leather.faded}
              >
                {handWords[hand]}
              </text>
            </g>
          ))}
          {weeks.map(({ monday, middle, heavy }, index) => {
            const x = side + index * wide + 4;
            return (
              <g key={monday}>
                <rect
                  x={x}
                  y={top(heavy)}
                  width={wide - 8}
                  height={height - top(heavy)}
                  fill="none"
                  stroke={leather.ink}
                  strokeWidth={1.5}
                />
                <rect
                  x={x}
                  y={top(middle)}
                  width={wide - 8}
                  height={height - top(middle)}
                  fill={leather.leather}
                />
                {(weeks.length < 7 || index % 3 === 0) && (
                  <text x={x} y={height + 18} fontSize={13} fill={leather.faded}>
                    {shortDay(monday)}
                  </text>
                )}
              </g>
            );
          })}
        </svg>
      )}
    </Box>
  );
}
