import { useTheme } from '@mui/material/styles';
import { useId } from 'react';
import type { Schemas } from '../base/api/client';
import { percent } from '../base/words/plain';
import { zoneWords } from '../base/words/states';
import { useWidth } from './useWidth';
import { change, hatchGap, type ZoneSide } from './softMap';
import { textSize } from './textSize';

interface Props {
  zones: ZoneSide[];
  picked: string | null;
  onPick: (zone: ZoneSide) => void;
}

type Zone = Schemas['Zone'];

/** From which height to which a part reaches, in the outline's own units. */
const bands: [Zone, number, number][] = [
  ['poll', 0, 104],
  ['neck', 104, 190],
  ['shoulder', 190, 258],
  ['ribs', 258, 346],
  ['hip', 346, 440],
];

/** The right half of a horse seen from above, head up; the left is its mirror. */
const half: [number, number][] = [
  [0, 8],
  [12, 14],
  [16, 40],
  [25, 68],
  [18, 98],
  [28, 134],
  [45, 180],
  [70, 214],
  [75, 246],
  [82, 300],
  [71, 346],
  [79, 384],
  [54, 424],
  [10, 437],
  [0, 438],
];

/** A smooth closed outline through the points of both halves. */
function outline(middle: number, scale: number): string {
  const points = [
    ...half.map(([x, y]) => [middle + x * scale, y] as const),
    ...half
      .slice(1, -1)
      .reverse()
      .map(([x, y]) => [middle - x * scale, y] as const),
  ];
  const between = (a: readonly [number, number], b: readonly [number, number]) =>
    `${(a[0] + b[0]) / 2} ${(a[1] + b[1]) / 2}`;
  const start = between(points.at(-1)!, points[0]!);
  return `M${start}${points
    .map(
      (point, index) =>
        `Q${point[0]} ${point[1]} ${between(point, points[(index + 1) % points.length]!)}`,
    )
    .join('')}Z`;
}

/** The horse from above: the denser the hatching, the softer it is there. */
export function SoftMap(props: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  return (
    <div ref={ref} style={{ maxWidth: 620, minHeight: 480 }}>
      {width > 0 && <Drawing {...props} width={width} />}
    </div>
  );
}

function Drawing({ zones, picked, onPick, width }: Props & { width: number }) {
  const { leather } = useTheme().palette;
  const id = useId();
  const middle = width / 2;
  // On a phone the words beside it need the room.
  const scale = width < 480 ? 0.72 : 1;
  const body = outline(middle, scale);
  return (
    <svg
      width={width}
      height={480}
      role="img"
      aria-label="The horse from above, left and right; the table below says the same in words"
    >
      <clipPath id={`${id}body`}>
        <path d={body} />
      </clipPath>
      <path
        d={`M${middle} 436c-6 12 5 20 -2 38M${middle} 436c6 12 -2 22 4 34`}
        stroke={leather.ink}
        strokeWidth={4}
        fill="none"
        strokeLinecap="round"
      />
      {[-1, 1].map((way) => (
        <path
          key={way}
          d={`M${middle + way * 12 * scale} 92l${way * 13} -16l${way * 2} 24z`}
          fill={leather.paper}
          stroke={leather.ink}
          strokeWidth={2.5}
          strokeLinejoin="round"
        />
      ))}
      <path d={body} fill={leather.paper} />
      {bands.flatMap(([zone, top, bottom]) =>
        (['left', 'right'] as const).map((side) => {
          const found = zones.find((one) => one.zone === zone && one.side === side);
          return (
            <Half
              key={`${zone} ${side}`}
              {...{ zone, side, top, bottom, middle, width, scale, found, onPick }}
              picked={picked === `${zone} ${side}`}
              hatch={`${id}${zone}${side}`.replaceAll(':', '')}
              clip={`${id}body`}
            />
          );
        }),
      )}
      <path d={body} fill="none" stroke={leather.ink} strokeWidth={3} />
      <path d={`M${middle} 20V434`} stroke={leather.ink} strokeWidth={2} strokeDasharray="7 5" />
    </svg>
  );
}

interface HalfProps {
  zone: Zone;
  side: 'left' | 'right';
  top: number;
  bottom: number;
  middle: number;
  width: number;
  scale: number;
  found: ZoneSide | undefined;
  picked: boolean;
  onPick: (zone: ZoneSide) => void;
  hatch: string;
  clip: string;
}

function Half(props: HalfProps) {
  const { zone, side, top, bottom, middle, scale, found, picked, onPick, hatch, clip } = props;
  const { leather } = useTheme().palette;
  const way = side === 'left' ? -1 : 1;
  const share = found && found.now.asked > 0 ? found.now.soft / found.now.asked : null;
  const reach = 92 * scale;
  const left = way < 0 ? middle - reach : middle;
  const atX = middle + way * (reach + 8);
  const atY = (Math.max(top, 40) + bottom) / 2;
  const narrow = scale < 1;
  const ink = { textAnchor: way < 0 ? ('end' as const) : ('start' as const), fill: leather.ink };
  return (
    <g
      onClick={found ? () => onPick(found) : undefined}
      style={found ? { cursor: 'pointer' } : undefined}
      data-zone-side={`${zone} ${side}`}
    >
      {share !== null && (
        <>
          <pattern
            id={hatch}
            width={hatchGap(share)}
            height={hatchGap(share)}
            patternUnits="userSpaceOnUse"
            patternTransform={`rotate(${way * 45})`}
          >
            <rect width={hatchGap(share)} height={2.4} fill={leather.leather} />
          </pattern>
          <g clipPath={`url(#${clip})`}>
            <rect x={left} y={top} width={reach} height={bottom - top} fill={`url(#${hatch})`} />
          </g>
        </>
      )}
      <g clipPath={`url(#${clip})`}>
        <line
          x1={left}
          x2={left + reach}
          y1={bottom}
          y2={bottom}
          stroke={leather.ink}
          strokeWidth={1.5}
        />
        {picked && (
          <rect
            x={left}
            y={top}
            width={reach}
            height={bottom - top}
            fill="none"
            stroke={leather.water}
            strokeWidth={6}
          />
        )}
      </g>
      <rect
        x={way < 0 ? 0 : middle}
        y={top}
        width={middle}
        height={bottom - top}
        fill="transparent"
      />
      <text x={atX} y={atY - 14} fontSize={textSize(13.5)} {...ink} fill={leather.faded}>
        {zoneWords[zone]}
      </text>
      <text x={atX} y={atY + 8} fontSize={textSize(narrow ? 20 : 23)} fontWeight={700} {...ink}>
        {share === null ? 'not asked' : percent(share)}
      </text>
      {found && share !== null && (
        <text x={atX} y={atY + 25} fontSize={textSize(narrow ? 12.5 : 14)} {...ink}>
          {narrow ? change(found).split(', ')[0] : change(found)}
        </text>
      )}
    </g>
  );
}
