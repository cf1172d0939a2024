import { useTheme } from '@mui/material/styles';
import { Link } from 'react-router';
import { daysBetween, longDay, shortDay } from '../base/words/days';
import type { FirstAsk } from './firstAsks';
import { useWidth } from './useWidth';

interface Props {
  asks: FirstAsk[];
  /** The days shown: this many up to that date. */
  days: number;
  on: string;
  hrefOf: (ask: FirstAsk) => string;
}

const height = 52;
const offset = { left: -12, both: 0, right: 12 };

/** The first asks of one level, day by day: the left above the line, the right below it. */
export function FirstAskLane(props: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  return <div ref={ref}>{width > 0 && <Lane {...props} width={width} />}</div>;
}

function Lane({ asks, days, on, hrefOf, width }: Props & { width: number }) {
  const { leather } = useTheme().palette;
  const xOf = (day: string) => 8 + (width - 16) * (1 - daysBetween(day, on) / days);
  const middle = height / 2;
  return (
    <svg width={width} height={height} role="group" aria-label="First asks, oldest first">
      <line x1={0} x2={width} y1={middle} y2={middle} stroke={leather.line} strokeWidth={2} />
      {asks.map((ask, index) => (
        <Link
          key={ask.repId}
          to={hrefOf(ask)}
          aria-label={`${longDay(ask.day)}, ${ask.side}: ${ask.soft ? 'soft' : 'not soft'}`}
        >
          <title>{`${shortDay(ask.day)}, ${ask.side}: ${ask.soft ? 'soft' : 'not soft'}`}</title>
          <rect
            {...reach(asks, index, xOf)}
            y={ask.side === 'right' ? middle : 0}
            height={ask.side === 'both' ? height : middle}
            fill="transparent"
          />
          <circle
            cx={xOf(ask.day)}
            cy={middle + offset[ask.side]}
            r={5}
            fill={ask.soft ? leather.leather : leather.paper}
            stroke={leather.ink}
            strokeWidth={2}
          />
        </Link>
      ))}
    </svg>
  );
}

/** The most a mark reaches to each side: 24 pixels across, where its neighbors leave room. */
const mostReach = 12;

/** From where to where a tap means this mark: half way to its neighbors of the same side. */
function reach(asks: FirstAsk[], index: number, xOf: (day: string) => number) {
  const { day, side } = asks[index]!;
  const at = xOf(day);
  const own = asks.filter((ask) => ask.side === side && ask.day !== day).map((ask) => xOf(ask.day));
  const before = Math.max(...own.filter((x) => x < at), -Infinity);
  const after = Math.min(...own.filter((x) => x > at), Infinity);
  const from = at - Math.min(mostReach, (at - before) / 2);
  return { x: from, width: at + Math.min(mostReach, (after - at) / 2) - from };
}
