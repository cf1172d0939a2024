import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import { useId } from 'react';
import { figure, rails, type Item, type ItemKind } from './rails';
import { useWidth } from './useWidth';
import { textSize } from './textSize';

interface Props {
  items: Item[];
  open: boolean;
  firstAskDays: number;
  /** Where a rail leads; left out where it is only looked at. */
  hrefOf?: (kind: ItemKind, side: Item['side']) => string;
  onOpen?: (href: string) => void;
  /** Drawn so wide, for paper; as wide as there is room where left out. */
  width?: number;
}

const rowHeight = 58;
const railHeight = 18;
const postWidth = 13;

/**
 * A verdict as a field gate: one rail for each item, filled from the posts
 * inwards as far as it goes. With every rail filled the gate has swung open.
 */
export function FieldGate({ width: fixed, ...props }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  if (fixed) return <Drawing {...props} width={fixed} />;
  return (
    <Box ref={ref} sx={{ width: '100%', minHeight: 7 * rowHeight }}>
      {width > 0 && <Drawing {...props} width={width} />}
    </Box>
  );
}

function Drawing({ items, open, firstAskDays, hrefOf, onOpen, width }: Props & { width: number }) {
  const { leather } = useTheme().palette;
  const hatch = useId();
  const all = rails(items, firstAskDays);
  const height = all.length * rowHeight + 22;
  const from = postWidth + 4;
  const latch = width - postWidth;
  const to = open ? width * 0.86 : latch - 4;
  // An open gate is seen swung away: its far end is a little lower and shorter.
  const lean = open ? 16 : 0;
  const yAt = (y: number, x: number) =>
    y + lean * ((x - from) / (to - from)) * (1 - (2 * y) / height);
  const bar = (x1: number, x2: number, y: number) =>
    `M${x1} ${yAt(y, x1)}L${x2} ${yAt(y, x2)}L${x2} ${yAt(y + railHeight, x2)}L${x1} ${yAt(y + railHeight, x1)}Z`;
  // Words stand clear of the brace behind them.
  const halo = { stroke: leather.ground, strokeWidth: 5, paintOrder: 'stroke' };
  const post = (x: number) => (
    <rect x={x} y={2} width={postWidth} height={height - 4} rx={3} fill={leather.ink} />
  );
  return (
    <svg
      width={width}
      height={height}
      role="group"
      aria-label={open ? 'The gate stands open' : 'The gate is closed'}
    >
      <pattern
        id={hatch}
        width={7}
        height={7}
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width={7} height={7} fill={leather.paper} />
        <line x1={0} x2={0} y1={0} y2={7} stroke={leather.leather} strokeWidth={5} />
      </pattern>
      <line
        x1={from}
        y1={yAt(height - 30, from)}
        x2={to}
        y2={yAt(40, to)}
        stroke={leather.line}
        strokeWidth={9}
        opacity={0.4}
      />
      {post(0)}
      {post(latch)}
      {open && (
        <path
          d={`M${to + 8} ${height - 12}h${latch - to - 14}`}
          stroke={leather.leather}
          strokeWidth={4}
          strokeDasharray="2 7"
          strokeLinecap="round"
        />
      )}
      {all.map((rail, index) => {
        const y = index * rowHeight + 32;
        const middle = (from + to) / 2;
        return (
          <g key={rail.kind}>
            <text
              x={middle}
              y={yAt(y - 9, middle)}
              textAnchor="middle"
              fontSize={textSize(width < 500 ? 13.5 : 15)}
              fill={leather.ink}
              {...halo}
            >
              {rail.label}
            </text>
            {rail.halves.map((half) => {
              const whole = rail.halves.length === 1;
              const right = half.side === 'right';
              const x1 = whole || !right ? from : middle;
              const x2 = whole || right ? to : middle;
              const length = (x2 - x1) * half.filled;
              const filled: [number, number] = right ? [x2 - length, x2] : [x1, x1 + length];
              const href = hrefOf?.(half.item, half.side);
              const atX = right ? to - 4 : from + 4;
              return (
                <a
                  key={half.side ?? 'both'}
                  href={href}
                  role={href === undefined ? 'img' : undefined}
                  aria-label={`${rail.label}; ${half.side ?? 'both sides'}: ${figure(half.item, half.found)}, ${half.passes ? 'filled' : 'not filled'}`}
                  onClick={
                    href === undefined
                      ? undefined
                      : (event) => {
                          event.preventDefault();
                          onOpen?.(href);
                        }
                  }
                >
                  <rect
                    x={x1}
                    y={y - 26}
                    width={x2 - x1}
                    height={rowHeight - 8}
                    fill="transparent"
                  />
                  <path
                    d={bar(x1, x2, y)}
                    fill={leather.paper}
                    stroke={leather.ink}
                    strokeWidth={2}
                  />
                  {half.filled > 0 && (
                    <path
                      d={bar(...filled, y)}
                      fill={half.passes ? leather.leather : `url(#${hatch})`}
                      stroke={leather.ink}
                      strokeWidth={2}
                    />
                  )}
                  <text
                    x={atX}
                    y={yAt(y - 8, atX)}
                    textAnchor={right ? 'end' : 'start'}
                    fontSize={textSize(width < 500 ? 16 : 18)}
                    fontWeight={700}
                    fill={half.passes ? leather.ink : leather.brick}
                    {...halo}
                    style={{ fontVariantNumeric: 'tabular-nums' }}
                  >
                    {half.passes ? '✓ ' : '✗ '}
                    {figure(half.item, half.found)}
                  </text>
                </a>
              );
            })}
            {rail.halves.length === 2 && (
              <line
                x1={middle}
                x2={middle}
                y1={yAt(y - 3, middle)}
                y2={yAt(y + railHeight + 3, middle)}
                stroke={leather.ink}
                strokeWidth={4}
              />
            )}
          </g>
        );
      })}
      {[40, (all.length - 1) * rowHeight + 40].map((y) => (
        <path
          key={y}
          d={`M2 ${y}h${postWidth + 22}`}
          stroke={leather.ink}
          strokeWidth={6}
          strokeLinecap="round"
        />
      ))}
      {!open && (
        <path
          d={`M${to - 16} 41h${postWidth + 12}`}
          stroke={leather.ink}
          strokeWidth={6}
          strokeLinecap="round"
        />
      )}
    </svg>
  );
}
