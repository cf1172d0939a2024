import { useTheme } from '@mui/material/styles';
import { useEffect, useRef, type PointerEvent } from 'react';
import { byKeys, steers, still, toward, type Steer } from './steer';
import type { Seen } from './useCowRound';

interface Props {
  seen: Seen | null;
  /** The flight zone and the point of balance are drawn. */
  shown: boolean;
  ridden: boolean;
  onSteer: (steer: Steer) => void;
}

const wide = 60;
const deep = 80;
const begin = { cow: [30, 40], horse: [30, 26], way: 1 };

/** The pen from above: herd below, the cow, the horse that is steered by keys or by a finger. */
export function CowPen({ seen, shown, ridden, onSteer }: Props) {
  const { leather } = useTheme().palette;
  const svg = useRef<SVGSVGElement>(null);
  const held = useRef(new Set<string>());
  const { cow, horse, way } = seen?.state ?? begin;
  useEffect(() => {
    if (!ridden) return;
    const keysHeld = held.current;
    const down = (event: KeyboardEvent) => {
      if (!steers(event.key) || event.ctrlKey || event.metaKey || event.altKey) return;
      event.preventDefault();
      keysHeld.add(event.key.toLowerCase());
      onSteer(byKeys(keysHeld));
    };
    const up = (event: KeyboardEvent) => {
      if (keysHeld.delete(event.key.toLowerCase())) onSteer(byKeys(keysHeld));
    };
    const away = () => {
      keysHeld.clear();
      onSteer(still);
    };
    window.addEventListener('keydown', down);
    window.addEventListener('keyup', up);
    window.addEventListener('blur', away);
    return () => {
      keysHeld.clear();
      window.removeEventListener('keydown', down);
      window.removeEventListener('keyup', up);
      window.removeEventListener('blur', away);
    };
  }, [ridden, onSteer]);
  const finger = (event: PointerEvent) => {
    if (!ridden || event.buttons === 0) return;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(
      svg.current?.getScreenCTM()?.inverse(),
    );
    onSteer(toward(horse, [at.x, deep - at.y]));
  };
  const [x, y] = [cow[0]!, deep - cow[1]!];
  const [hx, hy] = [horse[0]!, deep - horse[1]!];
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${wide} ${deep}`}
      role="img"
      aria-label="The pen from above: the herd below, the cow, and your horse"
      data-testid="cow pen"
      style={{
        // All of it in sight, the herd too.
        width: `min(100%, calc((100dvh - 230px) * ${wide / deep}), 560px)`,
        margin: '0 auto',
        display: 'block',
        touchAction: 'none',
        background: leather.paper,
        border: `3px solid ${leather.ink}`,
      }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        finger(event);
      }}
      onPointerMove={finger}
      onPointerUp={() => ridden && onSteer(still)}
      onPointerCancel={() => ridden && onSteer(still)}
    >
      <rect x={0} y={deep - 5} width={wide} height={5} fill={leather.line} />
      {herd.map(([at, off]) => (
        <ellipse key={at} cx={at} cy={deep - 2.4 + off} rx={1.9} ry={1} fill={leather.faded} />
      ))}
      {shown && seen && (
        <g fill="none" stroke={leather.water} strokeWidth={0.25} strokeDasharray="1 0.8">
          <circle cx={x} cy={y} r={seen.zone_ft} />
          <line x1={x + 1.5 * way} y1={y - seen.zone_ft} x2={x + 1.5 * way} y2={y + seen.zone_ft} />
        </g>
      )}
      <g data-testid="cow" transform={`translate(${x} ${y}) scale(${way} 1)`}>
        <ellipse rx={2.4} ry={1.15} fill={leather.brick} />
        <circle cx={2.7} r={0.85} fill={leather.brick} />
        <circle cx={3} r={0.25} fill={leather.paper} />
      </g>
      <g data-testid="horse" transform={`translate(${hx} ${hy})`}>
        <ellipse ry={2.6} rx={1.1} fill={leather.ink} />
        <ellipse cy={-3} ry={1.2} rx={0.6} fill={leather.ink} />
        <circle r={0.8} fill={leather.leather} />
      </g>
    </svg>
  );
}

/** The herd stands loosely. */
const herd = [
  [5, 0.3],
  [11, -0.4],
  [16, 0.4],
  [23, -0.2],
  [29, 0.3],
  [36, -0.3],
  [42, 0.4],
  [49, -0.2],
  [55, 0.2],
] as const;
