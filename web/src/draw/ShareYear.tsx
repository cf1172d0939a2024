import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import { daysBetween, shortDay } from '../base/words/days';
import { count } from '../base/words/plain';
import { useWidth } from './useWidth';

interface Share {
  day: string;
  bosal_pct: number;
}

interface Props {
  plan: Share[];
  rides: Share[];
}

const height = 220;
const foot = 26;
const side = 74;

/** The plan from bosal to bridle as a rope across a year, the rides as knots on or off it. */
export function ShareYear({ plan, rides }: Props) {
  const { leather } = useTheme().palette;
  const [ref, width] = useWidth<HTMLDivElement>();
  const first = plan[0]?.day ?? '';
  const last = plan.at(-1)?.day ?? first;
  const late = rides.at(-1)?.day ?? first;
  const days = Math.max(1, daysBetween(first, late > last ? late : last));
  const x = (day: string) =>
    side + (Math.max(0, daysBetween(first, day)) / days) * (width - side - 16);
  const y = (pct: number) => 10 + ((100 - pct) / 100) * (height - 20);
  const rope = plan.map(({ day, bosal_pct }) => `${x(day)} ${y(bosal_pct)}`).join(' L ');
  const said = `Plan from ${plan[0]?.bosal_pct}% bosal to ${plan.at(-1)?.bosal_pct}% by ${shortDay(last)}; ${count(rides.length, 'ride')}${
    rides.length > 0 ? `, the last at ${Math.round(rides.at(-1)!.bosal_pct)}% bosal` : ''
  }`;
  return (
    <Box ref={ref}>
      {width > 0 && (
        <svg width={width} height={height + foot} role="img" aria-label={said}>
          <title>{said}</title>
          {[100, 50, 0].map((pct) => (
            <g key={pct}>
              <line
                x1={side}
                x2={width - 8}
                y1={y(pct)}
                y2={y(pct)}
                stroke={leather.line}
                strokeWidth={1}
              />
              <text x={0} y={y(pct) + 5} fontSize={14} fill={leather.faded}>
                {pct === 100 ? 'all bosal' : pct === 50 ? 'half' : 'all bridle'}
              </text>
            </g>
          ))}
          <path
            d={`M ${rope}`}
            fill="none"
            stroke={leather.leather}
            strokeWidth={5}
            strokeLinecap="round"
            opacity={0.5}
          />
          <path
            d={`M ${rope}`}
            fill="none"
            stroke={leather.onLeather}
            strokeWidth={1.5}
            strokeDasharray="5 7"
          />
          {rides.map(({ day, bosal_pct }, index) => (
            <circle
              key={`${day} ${index}`}
              cx={x(day)}
              cy={y(bosal_pct)}
              r={5.5}
              fill={leather.water}
              stroke={leather.paper}
              strokeWidth={1.5}
            />
          ))}
          {plan.map(({ day }, index) => (
            <text
              key={day}
              x={x(day)}
              y={height + 18}
              fontSize={13}
              textAnchor={index === plan.length - 1 ? 'end' : 'middle'}
              fill={leather.faded}
            >
              {width > 520 || index % 2 === 0 ? shortDay(day) : ''}
            </text>
          ))}
        </svg>
      )}
    </Box>
  );
}
