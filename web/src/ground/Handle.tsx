import { useTheme } from '@mui/material/styles';
import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import { drawn, planned, type Feet } from './plan';
import { useFeet } from './size';

interface Props {
  at: Feet;
  label: string;
  /** Where it goes, with every move of the hand. */
  onMove: (at: Feet) => void;
  /** The hand let go. */
  onDone?: () => void;
  onPress?: () => void;
  shape?: 'round' | 'square' | 'turn' | 'ring';
  pressed?: boolean;
}

/** Feet an arrow moves it. */
const stepFt = 1;

/** Something on the plan that is dragged with a finger, or with the arrows once it has the focus. */
export function Handle({ at, label, onMove, onDone, onPress, shape = 'round', pressed }: Props) {
  const { leather } = useTheme().palette;
  const feet = useFeet();
  const [held, setHeld] = useState(false);
  const { x, y } = drawn(at);
  const r = feet(8);
  const move = (event: PointerEvent<SVGGElement>) => {
    if (!held) return;
    event.stopPropagation();
    const svg = event.currentTarget.ownerSVGElement;
    const spot = new DOMPoint(event.clientX, event.clientY).matrixTransform(
      svg?.getScreenCTM()?.inverse(),
    );
    onMove(planned(spot));
  };
  const end = (event: PointerEvent<SVGGElement>) => {
    event.stopPropagation();
    if (held) onDone?.();
    setHeld(false);
  };
  const keys = (event: KeyboardEvent) => {
    const by = event.shiftKey ? stepFt / 4 : stepFt;
    const ways: Record<string, Feet> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, by],
      ArrowDown: [0, -by],
    };
    const way = ways[event.key];
    if (way) {
      event.preventDefault();
      event.stopPropagation();
      onMove([(at[0] ?? 0) + way[0]!, (at[1] ?? 0) + way[1]!]);
      onDone?.();
    } else if (onPress && (event.key === 'Enter' || event.key === ' ')) {
      event.preventDefault();
      onPress();
    }
  };
  const look = {
    fill: held || pressed ? leather.leather : leather.paper,
    stroke: leather.leather,
    strokeWidth: feet(2.5),
  };
  return (
    <g
      transform={`translate(${x} ${y})`}
      role="button"
      aria-label={label}
      aria-pressed={pressed}
      tabIndex={0}
      style={{ cursor: held ? 'grabbing' : 'grab', outlineOffset: 2 }}
      onPointerDown={(event) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        setHeld(true);
        onPress?.();
      }}
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={end}
      onKeyDown={keys}
      data-testid="handle"
    >
      <title>{label}</title>
      <circle r={feet(22)} fill="transparent" />
      {shape === 'round' && <circle r={r} {...look} />}
      {shape === 'ring' && (
        <circle
          r={feet(18)}
          fill="transparent"
          stroke={held || pressed ? leather.leather : 'none'}
          strokeWidth={feet(2.5)}
        />
      )}
      {shape === 'square' && <rect x={-r} y={-r} width={2 * r} height={2 * r} {...look} />}
      {shape === 'turn' && (
        <path d={`M ${-r} 0 A ${r} ${r} 0 1 1 0 ${r} L ${feet(4)} ${feet(3)}`} {...look} />
      )}
    </g>
  );
}
