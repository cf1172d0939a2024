import { useTheme } from '@mui/material/styles';
import type { State } from '../base/words/states';

interface Props {
  state: State | undefined;
  /** Whether it counts as held, where a trainer decided. */
  held?: boolean;
  changed?: boolean;
  /** The middle of the rung. */
  x: number;
  y: number;
  width: number;
}

const height = 10;

/** How far a rung is filled, by state. */
const filled: Partial<Record<State, number>> = {
  held: 1,
  in_doubt: 1,
  confirming: 0.75,
  working: 0.4,
};

/** How far a rung hangs askew: one in doubt leans, one that was lost lies. */
const askew: Partial<Record<State, number>> = { in_doubt: 9, lost: 24 };

/**
 * A level's own mark. Filled: held; leaning: held, in doubt; fallen at one end: lost.
 * A ring: waiting for what it rests on; half a ring: back, to be tested cold. Partly filled: worked on, confirming. Slanted
 * strokes: rusty. Three dots: shown at intake; two: placed by hand. Empty: open. A dashed line: closed. A hook down: sent down. A
 * diamond: by the trainer's word.
 */
export function RungMark({ state, held, changed, x, y, width }: Props) {
  const { leather } = useTheme().palette;
  const left = x - width / 2;
  const top = y - height / 2;
  if (state === 'closed')
    return (
      <line
        x1={left}
        x2={left + width}
        y1={y}
        y2={y}
        stroke={leather.faded}
        strokeWidth={1.5}
        strokeDasharray="3 4"
      />
    );
  const byWord = state === 'overruled' && held;
  const fill = changed || byWord ? 1 : (state && filled[state]) || 0;
  const turn = state && askew[state];
  return (
    <g transform={turn ? `rotate(${turn} ${left + 2} ${y})` : undefined}>
      <rect
        x={left}
        y={top}
        width={width}
        height={height}
        rx={2}
        fill={leather.paper}
        stroke={leather.ink}
        strokeWidth={1.5}
      />
      {fill > 0 && (
        <rect
          x={left}
          y={top}
          width={width * fill}
          height={height}
          rx={2}
          fill={leather.leather}
          stroke={leather.ink}
          strokeWidth={1.5}
        />
      )}
      {state === 'rusty' &&
        [0.14, 0.32, 0.5, 0.68, 0.86].map((share) => (
          <line
            key={share}
            x1={left + width * share - 3}
            x2={left + width * share + 3}
            y1={top + height - 1}
            y2={top + 1}
            stroke={leather.leather}
            strokeWidth={3}
          />
        ))}
      {(state === 'waiting' || state === 'retest') && (
        <path
          d={`M${x - 6} ${y}a6 6 0 0 1 12 0${state === 'waiting' ? 'a6 6 0 0 1 -12 0' : ''}`}
          fill={leather.paper}
          stroke={leather.water}
          strokeWidth={2.5}
        />
      )}
      {(state === 'shown_at_intake' || state === 'placed') &&
        (state === 'placed' ? [0.35, 0.65] : [0.25, 0.5, 0.75]).map((share) => (
          <circle
            key={share}
            cx={left + width * share}
            cy={y}
            r={2.8}
            fill={leather.leather}
            stroke={leather.ink}
            strokeWidth={0.8}
          />
        ))}
      {state === 'eased' && (
        <path
          d={`M${x - 7} ${y - 4}l7 8l7 -8`}
          fill="none"
          stroke={leather.brick}
          strokeWidth={3}
        />
      )}
      {state === 'overruled' && (
        <path d={`M${x} ${y - 7}l7 7l-7 7l-7 -7z`} fill={leather.water} stroke={leather.ink} />
      )}
    </g>
  );
}
