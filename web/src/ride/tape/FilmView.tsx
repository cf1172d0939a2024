import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef, useState, type PointerEvent, type RefObject } from 'react';
import { filmClock, type OpenFilm } from './film';
import type { FilmTime } from './FilmTime';
import { useFilmFrames, useShownS } from './useFilmFrames';
import { useWheel } from '../../ground/useWheel';
import { moved, nearer, spotOf, whole } from './zoom';

/** Something that is drawn over a film: at pixels of the film. */
export interface Overlay {
  id: string;
  at: number[];
  label?: string;
  /** The horse's feet, not a point of the ground. */
  feet?: boolean;
}

interface Props {
  open: OpenFilm;
  number: number;
  video: RefObject<HTMLVideoElement | null>;
  time: FilmTime;
  overlay: Overlay[];
  /** A tap on the picture, in pixels of the film. */
  onTap?: (at: [number, number]) => void;
}

/** A finger that moved less than this tapped. */
const tapPx = 7;

/** A film: brought nearer by the wheel or the buttons, moved by a finger, tapped to place something. */
export function FilmView({ open: { url, film }, number, video, time, overlay, onTap }: Props) {
  const [near, setNear] = useState(whole);
  const frame = useRef<HTMLDivElement>(null);
  const down = useRef<{ x: number; y: number; far: boolean } | null>(null);
  useFilmFrames(video, time, url);
  const spotAt = (clientX: number, clientY: number) => {
    const box = frame.current!.getBoundingClientRect();
    return { x: (clientX - box.left) / box.width, y: (clientY - box.top) / box.height };
  };
  useWheel(frame, ({ deltaY, clientX, clientY }) =>
    setNear((before) => nearer(before, Math.exp(-deltaY / 500), spotAt(clientX, clientY))),
  );
  const move = (event: PointerEvent) => {
    const from = down.current;
    if (!from) return;
    const [dx, dy] = [event.clientX - from.x, event.clientY - from.y];
    if (!from.far && Math.hypot(dx, dy) < tapPx) return;
    down.current = { x: event.clientX, y: event.clientY, far: true };
    const box = frame.current!.getBoundingClientRect();
    setNear((before) => moved(before, dx / box.width, dy / box.height));
  };
  const up = (event: PointerEvent) => {
    const tapped = down.current && !down.current.far;
    down.current = null;
    if (!tapped || !onTap) return;
    const { x, y } = spotOf(near, spotAt(event.clientX, event.clientY));
    onTap([Math.round(x * film.width_px * 10) / 10, Math.round(y * film.height_px * 10) / 10]);
  };
  const middle = { x: 0.5, y: 0.5 };
  return (
    <Box component="figure" aria-label={`Film ${number}`} sx={{ m: 0, minWidth: 0 }}>
      <Box
        ref={frame}
        data-testid={`film-${number}`}
        onPointerDown={(event) => {
          if (event.button !== 0) return;
          event.currentTarget.setPointerCapture(event.pointerId);
          down.current = { x: event.clientX, y: event.clientY, far: false };
        }}
        onPointerMove={move}
        onPointerUp={up}
        onPointerCancel={() => (down.current = null)}
        sx={{
          position: 'relative',
          overflow: 'hidden',
          touchAction: 'none',
          aspectRatio: `${film.width_px} / ${film.height_px}`,
          maxHeight: '62vh',
          mx: 'auto',
          bgcolor: '#000',
          cursor: onTap ? 'crosshair' : 'grab',
        }}
      >
        <Box
          sx={{
            position: 'absolute',
            inset: 0,
            transformOrigin: '0 0',
            transform: `translate(${near.x * 100}%, ${near.y * 100}%) scale(${near.by})`,
          }}
        >
          {/* A film of the rider's own: there are no words to it. */}
          <video
            ref={video}
            src={url}
            muted
            playsInline
            preload="auto"
            style={{ width: '100%', height: '100%', display: 'block' }}
          />
          <Points overlay={overlay} width={film.width_px} height={film.height_px} by={near.by} />
        </Box>
      </Box>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.5, mt: 0.5 }}>
        <Typography component="figcaption" noWrap sx={{ flex: 1, minWidth: 0 }}>
          <Clock time={time} /> {film.name}
        </Typography>
        <Button
          aria-label={`Film ${number} nearer`}
          onClick={() => setNear(nearer(near, 1.5, middle))}
        >
          +
        </Button>
        <Button
          aria-label={`Film ${number} further off`}
          disabled={near.by === 1}
          onClick={() => setNear(nearer(near, 1 / 1.5, middle))}
        >
          −
        </Button>
        <Button disabled={near.by === 1} onClick={() => setNear(whole)}>
          All
        </Button>
      </Box>
    </Box>
  );
}

/** Which frame is shown. */
function Clock({ time }: { time: FilmTime }) {
  const shown = useShownS(time);
  return (
    <Box component="span" role="timer" sx={{ fontVariantNumeric: 'tabular-nums', fontWeight: 700 }}>
      {filmClock(shown)}
    </Box>
  );
}

interface PointsProps {
  overlay: Overlay[];
  width: number;
  height: number;
  by: number;
}

/** What was placed in the picture: rings on the ground, a cross at the horse's feet. */
function Points({ overlay, width, height, by }: PointsProps) {
  const px = width / 640 / by;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      style={{ position: 'absolute', inset: 0, width: '100%', height: '100%' }}
      aria-hidden
    >
      {overlay.map(({ id, at: [x = 0, y = 0], label, feet }) => (
        <g key={id}>
          {[
            ['#000', 5],
            ['#fff', 2],
          ].map(([stroke, wide]) => (
            <g key={stroke} stroke={String(stroke)} strokeWidth={Number(wide) * px} fill="none">
              {feet ? (
                <path d={`M${x - 8 * px},${y}h${16 * px}M${x},${y - 8 * px}v${16 * px}`} />
              ) : (
                <circle cx={x} cy={y} r={7 * px} />
              )}
            </g>
          ))}
          {label && (
            <text
              x={x + 11 * px}
              y={y - 6 * px}
              fontSize={15 * px}
              fontWeight={700}
              fill="#fff"
              stroke="#000"
              strokeWidth={3 * px}
              paintOrder="stroke"
            >
              {label}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}
