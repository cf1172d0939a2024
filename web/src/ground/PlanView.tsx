import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useTheme } from '@mui/material/styles';
import {
  memo,
  useCallback,
  useEffect,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
} from 'react';
import { Sized } from './sized';
import { moved, planned, windowOf, zoomed, type Feet, type Spot, type Window } from './plan';
import { useWheel } from './useWheel';

interface Props {
  /** Points that are to be seen when it opens. */
  shows: Feet[];
  /** What the plan is, for those who hear it. */
  label: string;
  children: ReactNode;
  /** A tap on free ground. */
  onTap?: (at: Feet) => void;
  height?: number;
}

/** A finger that moved less than this tapped. */
const tapPx = 7;

/**
 * A plan to scale. One finger moves it, two fingers, the wheel or + and - bring it nearer, the
 * arrows move it, 0 shows all of it.
 */
export function PlanView({ shows, label, children, onTap, height = 520 }: Props) {
  const { leather } = useTheme().palette;
  const svg = useRef<SVGSVGElement>(null);
  const [own, setOwn] = useState<Window>();
  const view = own ?? windowOf(shows);
  const latest = useRef(view);
  useEffect(() => {
    latest.current = view;
  });
  const fingers = useRef(new Map<number, Spot>());
  const first = useRef<{ at: Spot; far: boolean }>(undefined);
  const spotOf = (clientX: number, clientY: number): Spot => {
    const at = new DOMPoint(clientX, clientY).matrixTransform(
      svg.current?.getScreenCTM()?.inverse(),
    );
    return { x: at.x, y: at.y };
  };
  const zoom = (by: number, about?: Spot) =>
    setOwn((before) => {
      const now = before ?? windowOf(shows);
      return zoomed(now, by, about ?? { x: now.x + now.width / 2, y: now.y + now.height / 2 });
    });
  const byButton = useCallback(
    (by: number) =>
      setOwn((before) => {
        const now = before ?? latest.current;
        return zoomed(now, by, { x: now.x + now.width / 2, y: now.y + now.height / 2 });
      }),
    [],
  );
  const all = useCallback(() => setOwn(undefined), []);
  useWheel(svg, ({ deltaY, clientX, clientY }) =>
    zoom(Math.exp(-deltaY / 500), spotOf(clientX, clientY)),
  );
  const down = (event: PointerEvent) => {
    fingers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
    if (fingers.current.size === 1)
      first.current = { at: { x: event.clientX, y: event.clientY }, far: false };
    else if (first.current) first.current.far = true;
    // A finger that is let go beyond the plan was let go all the same.
    svg.current?.setPointerCapture(event.pointerId);
  };
  const move = (event: PointerEvent) => {
    const before = fingers.current.get(event.pointerId);
    if (!before) return;
    const now = { x: event.clientX, y: event.clientY };
    const began = first.current;
    if (began && Math.hypot(now.x - began.at.x, now.y - began.at.y) > tapPx) began.far = true;
    if (!began?.far) return;
    const others = [...fingers.current].filter(([id]) => id !== event.pointerId);
    const [a, b] = [spotOf(before.x, before.y), spotOf(now.x, now.y)];
    fingers.current.set(event.pointerId, now);
    if (others.length === 0) {
      setOwn(moved(view, a.x - b.x, a.y - b.y));
      return;
    }
    const still = others[0]![1];
    const wide = (spot: Spot) => Math.max(20, Math.hypot(spot.x - still.x, spot.y - still.y));
    zoom(wide(now) / wide(before), spotOf(still.x, still.y));
  };
  const up = (event: PointerEvent) => {
    const held = fingers.current.delete(event.pointerId);
    if (held && fingers.current.size === 0 && first.current && !first.current.far)
      onTap?.(planned(spotOf(event.clientX, event.clientY)));
  };
  const keys = (event: KeyboardEvent) => {
    if (event.target !== event.currentTarget) return;
    const step = view.width / 12;
    const does: Record<string, () => void> = {
      '+': () => zoom(1.25),
      '=': () => zoom(1.25),
      '-': () => zoom(0.8),
      '0': () => setOwn(undefined),
      ArrowLeft: () => setOwn(moved(view, -step, 0)),
      ArrowRight: () => setOwn(moved(view, step, 0)),
      ArrowUp: () => setOwn(moved(view, 0, -step)),
      ArrowDown: () => setOwn(moved(view, 0, step)),
    };
    const act = does[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  };
  return (
    <Box sx={{ '@media print': { breakInside: 'avoid' } }}>
      <svg
        ref={svg}
        viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
        style={{
          width: '100%',
          height: `min(${height}px, 72vh)`,
          display: 'block',
          touchAction: 'none',
          background: leather.paper,
          border: `1px solid ${leather.line}`,
        }}
        role="application"
        aria-label={label}
        aria-roledescription="plan"
        // A plan is moved with the arrows, brought nearer with + and -.
        tabIndex={0}
        onPointerDown={down}
        onPointerMove={move}
        onPointerUp={up}
        onPointerCancel={(event) => fingers.current.delete(event.pointerId)}
        onKeyDown={keys}
        data-testid="plan"
      >
        <Sized svg={svg} view={view}>
          {children}
        </Sized>
      </svg>
      <Nearer onZoom={byButton} onAll={all} />
    </Box>
  );
}

interface NearerProps {
  onZoom: (by: number) => void;
  onAll: () => void;
}

const Nearer = memo(function Nearer({ onZoom, onAll }: NearerProps) {
  return (
    <Box
      sx={{
        display: 'flex',
        justifyContent: 'flex-end',
        gap: 0.5,
        mt: 0.5,
        '@media print': { display: 'none' },
        '& button': { minWidth: 48, bgcolor: 'background.paper' },
      }}
    >
      <Button aria-label="Nearer" onClick={() => onZoom(1.4)}>
        +
      </Button>
      <Button aria-label="Further" onClick={() => onZoom(1 / 1.4)}>
        −
      </Button>
      <Button onClick={onAll}>All of it</Button>
    </Box>
  );
});
