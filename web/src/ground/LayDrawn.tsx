import { useTheme } from '@mui/material/styles';
import { memo } from 'react';
import { keepOffWords, tapeInWords } from '../base/words/ground';
import { apart, between, drawn, pathOf, type Feet } from './plan';
import type { Lay } from '../data/ground';
import { useFeet } from './size';

interface Props {
  lay: Lay;
  /** The length of each side is written beside it. */
  measured?: boolean;
  /** Posts are named. */
  named?: boolean;
}

/** A place from above: fence, gate, posts, what to keep off. */
export const LayDrawn = memo(function LayDrawn({ lay, measured, named }: Props) {
  const { leather } = useTheme().palette;
  const feet = useFeet();
  const middle = lay.outline
    .reduce((sum, at) => [sum[0]! + at[0]!, sum[1]! + at[1]!], [0, 0])
    .map((sum) => sum / lay.outline.length);
  const hatch = 'keep off hatch';
  return (
    <g>
      <defs>
        <pattern
          id={hatch}
          width={feet(9)}
          height={feet(9)}
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <line x1={0} y1={0} x2={0} y2={feet(9)} stroke={leather.brick} strokeWidth={feet(2.5)} />
        </pattern>
      </defs>
      <path
        d={pathOf(lay.outline, true)}
        fill={leather.ground}
        stroke={leather.ink}
        strokeWidth={feet(3)}
        strokeDasharray={lay.fence === 'open' ? `${feet(8)} ${feet(6)}` : undefined}
      />
      {(lay.keep_off ?? []).map((area, index) => (
        <g key={index}>
          <title>{keepOffWords[area.kind]}</title>
          <path
            d={pathOf(area.outline, true)}
            fill={`url(#${CSS.escape(hatch)})`}
            stroke={leather.brick}
            strokeWidth={feet(1.5)}
          />
        </g>
      ))}
      {lay.gate && <Gate at={lay.gate.at} wide={lay.gate.width_ft} outline={lay.outline} />}
      {(lay.posts ?? []).map((post, index) => {
        const { x, y } = drawn(post.at);
        return (
          <g key={post.name}>
            <rect
              x={x - feet(5)}
              y={y - feet(5)}
              width={feet(10)}
              height={feet(10)}
              fill={leather.ink}
            />
            <title>{post.name}</title>
            {named && (
              <Label
                at={post.at}
                text={post.name}
                dx={post.at[0]! < middle[0]! ? 10 : -10}
                dy={index % 2 === 0 ? -8 : 20}
                anchor={post.at[0]! < middle[0]! ? 'start' : 'end'}
              />
            )}
          </g>
        );
      })}
      {measured &&
        lay.outline.map((corner, index) => {
          const next = lay.outline[(index + 1) % lay.outline.length]!;
          const side = between(corner, next);
          const in_ = feet(30) / (apart(side, middle) || 1);
          return (
            <Label
              key={index}
              at={[
                side[0]! + (middle[0]! - side[0]!) * in_,
                side[1]! + (middle[1]! - side[1]!) * in_,
              ]}
              text={tapeInWords(apart(corner, next))}
              faded
            />
          );
        })}
    </g>
  );
});

interface GateProps {
  at: Feet;
  wide: number;
  outline: Feet[];
}

/** Along the side of the fence that is nearest. */
function Gate({ at, wide, outline }: GateProps) {
  const { leather } = useTheme().palette;
  const feet = useFeet();
  const { x, y } = drawn(at);
  const side = nearestSide(at, outline);
  const angle = (Math.atan2(side.y, side.x) * 180) / Math.PI;
  return (
    <g transform={`translate(${x} ${y}) rotate(${angle})`}>
      <title>Gate</title>
      <line x1={-wide / 2} x2={wide / 2} stroke={leather.ground} strokeWidth={feet(5)} />
      <line
        x1={-wide / 2}
        x2={wide / 2}
        stroke={leather.leather}
        strokeWidth={feet(3)}
        strokeDasharray={`${feet(5)} ${feet(3)}`}
      />
      <circle cx={-wide / 2} r={feet(5)} fill={leather.leather} />
      <circle cx={wide / 2} r={feet(5)} fill={leather.leather} />
    </g>
  );
}

function nearestSide(at: Feet, outline: Feet[]) {
  let best = { far: Infinity, x: 1, y: 0 };
  outline.forEach((corner, index) => {
    const [a, b, p] = [drawn(corner), drawn(outline[(index + 1) % outline.length]!), drawn(at)];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const along = ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy || 1);
    const part = Math.max(0, Math.min(1, along));
    const far = Math.hypot(p.x - a.x - dx * part, p.y - a.y - dy * part);
    if (far < best.far) best = { far, x: dx, y: dy };
  });
  return best;
}

interface LabelProps {
  at: Feet;
  text: string;
  dy?: number;
  dx?: number;
  faded?: boolean;
  bold?: boolean;
  anchor?: 'start' | 'middle' | 'end';
}

/** Words on the plan, as large however near it is. */
export function Label({ at, text, dx = 0, dy = 5, faded, bold, anchor = 'middle' }: LabelProps) {
  const { leather } = useTheme().palette;
  const feet = useFeet();
  const { x, y } = drawn(at);
  return (
    <text
      x={x + feet(dx)}
      y={y + feet(dy)}
      fontSize={feet(14)}
      fontWeight={bold ? 700 : 500}
      textAnchor={anchor}
      fill={faded ? leather.faded : leather.ink}
      stroke={leather.ground}
      strokeWidth={feet(4)}
      paintOrder="stroke"
      style={{ pointerEvents: 'none', userSelect: 'none' }}
    >
      {text}
    </text>
  );
}
