import { useTheme } from '@mui/material/styles';
import { useId, useRef, useState, type PointerEvent } from 'react';
import type { Output } from '../base/core/core';
import { forceInWords } from '../base/words/inches';
import { usual, type Measures } from './tackShape';

interface Props {
  name: string;
  measures: Measures;
  jaw: number;
  turn: number;
  angle: number;
  pull: number;
  said: Output<'curb'>;
  /** The longest shank on the bench: what lies side by side is drawn to one scale. */
  longestShank: number;
  /** Turned by the shank, or pulled at another angle by the rein. */
  onTurn: (degrees: number) => void;
  onAngle: (degrees: number) => void;
}

const left = -4.4;
const width = 13.4;
const top = -4.2;

/** Inches an arrow has for a pound, bent so that a strong pull stays in the picture. */
const arrowOf = (pounds: number) => 0.35 + 1.5 * Math.log1p(pounds / 3);

/**
 * A curb bit from the side, the horse looking to the left: mouthpiece in the middle, jaw behind
 * it, strap and rein where they are, forces as arrows. Shank and rein can be dragged.
 */
export function CurbBench(props: Props) {
  const { measures, jaw, turn, said } = props;
  const { leather } = useTheme().palette;
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<'turn' | 'angle'>();
  const marker = useId();
  const height = props.longestShank - top + 3;
  const { forces } = said;
  const flip = ({ back, up }: { back: number; up: number }) => ({ x: back, y: -up });
  const curbRing = flip(forces.curb_ring);
  const reinRing = flip(forces.rein_ring);
  const holds = said.has_taken_hold ?? false;
  const rein = pointed(reinRing, flip(forces.rein), 4.8, props);
  const move = (event: PointerEvent) => {
    const box = svg.current;
    if (!held || !box) return;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(
      box.getScreenCTM()?.inverse(),
    );
    if (held === 'turn') props.onTurn(degrees(Math.atan2(at.x, at.y)));
    else {
      const [dx, dy] = [at.x - reinRing.x, at.y - reinRing.y];
      // Against the shank, from the rein ring up to the mouthpiece.
      const along = Math.atan2(-reinRing.y, -reinRing.x);
      let between = degrees(Math.atan2(dy, dx) - along);
      while (between < 0) between += 360;
      props.onAngle(between);
    }
  };
  const grab = (what: 'turn' | 'angle') => (event: PointerEvent<SVGElement>) => {
    setHeld(what);
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const text = inWords(props);
  return (
    <svg
      ref={svg}
      viewBox={`${left} ${top} ${width} ${height}`}
      style={{ width: '100%', maxHeight: 520, display: 'block', touchAction: 'none' }}
      role="img"
      aria-label={text}
      onPointerMove={move}
      onPointerUp={() => setHeld(undefined)}
      onPointerCancel={() => setHeld(undefined)}
    >
      <title>{text}</title>
      <Arrowhead id={`${marker}c`} color={leather.brick} />
      <Arrowhead id={`${marker}m`} color={leather.water} />
      <Arrowhead id={`${marker}r`} color={leather.leather} />
      <Jaw jaw={jaw} />
      <path
        d={strapPath(curbRing, jaw, holds ? 0 : (said.strap?.slack_in ?? 0))}
        fill="none"
        stroke={leather.leather}
        strokeWidth={0.28}
        strokeLinecap="round"
        strokeDasharray={measures.curb === 'chain' ? '.12 .34' : undefined}
      />
      <Cheek measures={measures} turn={turn} onGrab={grab('turn')} />
      <line
        x1={curbRing.x}
        y1={curbRing.y}
        x2={curbRing.x - 0.35}
        y2={top}
        stroke={leather.faded}
        strokeWidth={0.28}
      />
      <g onPointerDown={grab('angle')} style={{ cursor: 'grab' }}>
        <line {...ends(reinRing, rein)} stroke={leather.leather} strokeWidth={0.22} />
        <line {...ends(reinRing, rein)} stroke="transparent" strokeWidth={1.2} />
        <circle
          cx={rein.x}
          cy={rein.y}
          r={0.55}
          fill={leather.paper}
          stroke={leather.leather}
          strokeWidth={0.16}
        />
      </g>
      <Force
        from={reinRing}
        by={flip(forces.rein)}
        color={leather.leather}
        head={`${marker}r`}
        label={`rein ${forceInWords(props.pull)}`}
        at={{ x: Math.min(rein.x + 2.4, left + width - 0.15), y: rein.y + 1.25 }}
        end
      />
      {holds && (
        <>
          <Force
            from={{ x: jaw, y: 0 }}
            by={flip(forces.curb)}
            back
            color={leather.brick}
            head={`${marker}c`}
            label={`chin ${forceInWords(forces.curb_lbf)}`}
            at={{ x: jaw + 1.15, y: -2.3 }}
          />
          <Force
            from={{ x: 0, y: 0 }}
            by={flip(forces.mouth)}
            color={leather.water}
            head={`${marker}m`}
            label={`mouth ${forceInWords(forces.mouth_lbf)}`}
            at={{ x: -0.7, y: -0.1 }}
            end
          />
        </>
      )}
    </svg>
  );
}

const degrees = (radians: number) => (radians * 180) / Math.PI;

interface Point {
  x: number;
  y: number;
}

const ends = (from: Point, to: Point) => ({ x1: from.x, y1: from.y, x2: to.x, y2: to.y });

/** Where the hand is drawn: along the pull; without one, along the angle. */
function pointed(from: Point, by: Point, length: number, { turn, angle }: Props): Point {
  const size = Math.hypot(by.x, by.y);
  if (size > 1e-9)
    return { x: from.x + (by.x / size) * length, y: from.y + (by.y / size) * length };
  const way = ((angle - turn) * Math.PI) / 180;
  return { x: from.x + Math.sin(way) * length, y: from.y - Math.cos(way) * length };
}

function strapPath(ring: Point, jaw: number, slack: number): string {
  const low = Math.max(0, slack) * 1.6;
  const mid = { x: (ring.x + jaw) / 2 + low * 0.5, y: ring.y / 2 + low };
  return `M ${ring.x} ${ring.y} Q ${mid.x} ${mid.y} ${jaw} 0.05`;
}

/** Nose and lower jaw from the side, the head upright, looking to the left. */
function Jaw({ jaw }: { jaw: number }) {
  const { leather } = useTheme().palette;
  const chin = jaw - 0.25;
  return (
    <g>
      <path
        d="M -0.2 -4.2 Q -0.35 -1 -0.2 0.9 Q -0.4 2.6 -1.8 2.7 Q -3.3 2.6 -3.2 1 Q -3.1 -1.5 -2.5 -4.2 Z"
        fill={leather.line}
        opacity={0.35}
      />
      <ellipse cx={-2.4} cy={1.7} rx={0.3} ry={0.45} fill={leather.ground} opacity={0.8} />
      <path
        d={`M 0.25 -4.2 Q 0.15 -1.5 0.2 0.4 Q 0 2 ${chin * 0.45} 2.2 Q ${chin + 0.3} 2.2 ${chin + 0.2} 1.1 Q ${jaw - 0.1} 0.4 ${jaw} 0 Q ${jaw + 0.4} -1.6 ${jaw + 1.6} -4.2 Z`}
        fill={leather.line}
        opacity={0.6}
      />
      <circle cx={jaw} cy={0} r={0.13} fill={leather.ink} />
    </g>
  );
}

interface CheekProps {
  measures: Measures;
  turn: number;
  onGrab: (event: PointerEvent<SVGElement>) => void;
}

function Cheek({ measures, turn, onGrab }: CheekProps) {
  const { leather } = useTheme().palette;
  const up = -(measures.purchase_in ?? 0);
  const down = measures.shank_in ?? 0;
  const bar = measures.bar_in ?? usual.bar;
  return (
    <g
      transform={`rotate(${-turn})`}
      stroke={leather.ink}
      onPointerDown={onGrab}
      style={{ cursor: 'grab' }}
    >
      <line x1={0} y1={up} x2={0} y2={down} strokeWidth={0.34} strokeLinecap="round" />
      <line x1={0} y1={0.8} x2={0} y2={down} stroke="transparent" strokeWidth={1.3} />
      <circle cx={0} cy={up} r={0.36} strokeWidth={0.15} fill={leather.paper} />
      <circle cx={0} cy={down} r={0.46} strokeWidth={0.16} fill={leather.paper} />
      {measures.mouthpiece === 'ported' && (
        <path
          d={`M ${-bar / 2} 0 V ${-(measures.port_in ?? usual.port)} H ${bar / 2} V 0`}
          strokeWidth={0.07}
          fill={leather.paper}
        />
      )}
      <circle cx={0} cy={0} r={Math.max(bar / 2, 0.16)} strokeWidth={0.12} fill={leather.paper} />
    </g>
  );
}

function Arrowhead({ id, color }: { id: string; color: string }) {
  return (
    <marker
      id={id}
      viewBox="0 0 10 10"
      refX={7}
      refY={5}
      markerWidth={4.5}
      markerHeight={4.5}
      orient="auto-start-reverse"
    >
      <path d="M 0 0 L 10 5 L 0 10 Z" fill={color} />
    </marker>
  );
}

interface ForceProps {
  from: Point;
  by: Point;
  /** It presses from behind: the arrow ends here, against the pull. */
  back?: boolean;
  color: string;
  head: string;
  label: string;
  /** Where the label stands, so that none covers another. */
  at: Point;
  end?: boolean;
}

function Force({ from, by, back, color, head, label, at, end }: ForceProps) {
  const { leather } = useTheme().palette;
  const size = Math.hypot(by.x, by.y);
  if (size < 0.01) return null;
  const long = arrowOf(size) / size;
  const to = { x: from.x + by.x * long, y: from.y + by.y * long };
  return (
    <g>
      <line
        {...(back ? ends(to, from) : ends(from, to))}
        stroke={color}
        strokeWidth={0.18}
        markerEnd={`url(#${head})`}
      />
      <text
        x={at.x}
        y={at.y}
        fontSize={0.56}
        fontWeight={700}
        textAnchor={end ? 'end' : 'start'}
        fill={color}
        stroke={leather.ground}
        strokeWidth={0.14}
        paintOrder="stroke"
      >
        {label}
      </text>
    </g>
  );
}

function inWords({ name, turn, angle, pull, said }: Props): string {
  const { forces, has_taken_hold } = said;
  const strap = has_taken_hold
    ? `the strap has taken hold: chin ${forceInWords(forces.curb_lbf)}, mouth ${forceInWords(forces.mouth_lbf)}`
    : 'the strap is slack, the rein only turns the bit';
  return `${name}, turned ${Math.round(turn)} degrees, a pull of ${forceInWords(pull)} at ${Math.round(angle)} degrees: ${strap}`;
}
