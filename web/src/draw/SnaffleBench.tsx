import { useTheme } from '@mui/material/styles';
import { useRef, type PointerEvent } from 'react';
import type { Output } from '../base/core/core';
import { forceInWords } from '../base/words/inches';

interface Props {
  name: string;
  /** From ring to ring with the mouthpiece straight, in inches. */
  mouthpiece: number;
  ring: number;
  apart: number;
  high: number;
  said: Output<'snaffle'>;
  onApart: (inches: number) => void;
}

/** How much nearer the hands are drawn than they are. */
const nearer = 4;

/**
 * A jointed snaffle from below, the horse looking up the page: its joint opens as the hands go
 * apart, and squeezes as they come together. The hands can be dragged.
 */
export function SnaffleBench({ name, mouthpiece, ring, apart, high, said, onApart }: Props) {
  const { leather } = useTheme().palette;
  const svg = useRef<SVGSVGElement>(null);
  const held = useRef(false);
  const half = ((said.joint_deg / 2) * Math.PI) / 180;
  const arm = mouthpiece / 2;
  const out = arm * Math.sin(half);
  const down = arm * Math.cos(half);
  const hand = Math.max(apart / nearer, 0.2);
  const handY = 8.2;
  const move = (event: PointerEvent) => {
    const box = svg.current;
    if (!held.current || !box) return;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(
      box.getScreenCTM()?.inverse(),
    );
    onApart(2 * Math.abs(at.x) * (nearer / 2));
  };
  const squeeze = Math.min(2.2, 0.3 + 0.9 * Math.log1p(said.squeeze_lbf));
  const text = `${name}, hands ${apart} inches apart: the joint stands at ${Math.round(said.joint_deg)} degrees, squeeze on the jaw ${forceInWords(said.squeeze_lbf)} from each side, tongue ${forceInWords(said.tongue_lbf)}, corners of the lips ${forceInWords(said.lift_lbf)}`;
  return (
    <svg
      ref={svg}
      viewBox="-8 -3.4 16 13.4"
      style={{ width: '100%', maxHeight: 460, display: 'block', touchAction: 'none' }}
      role="img"
      aria-label={text}
      onPointerMove={move}
      onPointerUp={() => (held.current = false)}
      onPointerCancel={() => (held.current = false)}
    >
      <title>{text}</title>
      <path
        d={`M ${-out + 0.4} 5.5 Q ${-out} 1.5 ${-out * 0.86} -1 Q ${-out * 0.6} -3.1 0 -3.1 Q ${out * 0.6} -3.1 ${out * 0.86} -1 Q ${out} 1.5 ${out - 0.4} 5.5 Z`}
        fill={leather.line}
        opacity={0.55}
      />
      {[-1, 1].map((side) => (
        <g key={side} stroke={leather.ink} fill="none">
          <line
            x1={side * out}
            y1={0}
            x2={side * 0.1}
            y2={-down}
            strokeWidth={0.42}
            strokeLinecap="round"
          />
          <ellipse
            cx={side * (out + 0.3)}
            cy={0.15}
            rx={0.34}
            ry={ring / 2}
            strokeWidth={0.18}
            transform={`rotate(${side * 8} ${side * out} 0)`}
          />
          <line
            x1={side * (out + 0.35)}
            y1={ring / 2}
            x2={side * hand}
            y2={handY}
            stroke={leather.leather}
            strokeWidth={0.2}
          />
          <circle
            cx={side * hand}
            cy={handY}
            r={0.7}
            fill={leather.paper}
            stroke={leather.leather}
            strokeWidth={0.18}
            style={{ cursor: 'grab' }}
            onPointerDown={(event) => {
              held.current = true;
              event.currentTarget.setPointerCapture(event.pointerId);
            }}
          />
          {said.squeeze_lbf > 0.02 && (
            <path
              d={`M ${side * (out + 1 + squeeze)} 0 L ${side * (out + 0.8)} 0 m ${side * 0.45} -0.32 l ${-side * 0.45} 0.32 l ${side * 0.45} 0.32`}
              stroke={leather.brick}
              strokeWidth={0.2}
            />
          )}
        </g>
      ))}
      <circle
        cx={0}
        cy={-down}
        r={0.34}
        fill={leather.paper}
        stroke={leather.ink}
        strokeWidth={0.16}
      />
      <text
        x={0}
        y={-down + 1.1}
        fontSize={0.6}
        fontWeight={700}
        textAnchor="middle"
        fill={leather.ink}
      >
        {Math.round(said.joint_deg)}°
      </text>
      <text x={0} y={9.7} fontSize={0.5} textAnchor="middle" fill={leather.faded}>
        {`hands ${apart} in apart, ${high === 0 ? 'level with' : `${Math.abs(high)} in ${high > 0 ? 'above' : 'below'}`} the rings; drawn nearer than they are`}
      </text>
    </svg>
  );
}
