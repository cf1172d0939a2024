import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useTheme } from '@mui/material/styles';
import { useState } from 'react';
import { inLines, layOut, type DrawnLevel, type RungPlace } from './ladderLayout';
import { RungMark } from './RungMark';
import { useWidth } from './useWidth';
import { textSize } from './textSize';

interface Props {
  levels: DrawnLevel[];
  tracks: { id: string; name: string }[];
  /** The level that is looked at: its ties stand out. */
  picked: number | null;
  onPick: (place: number) => void;
  /** The level that comes next. */
  next?: number | null;
}

/** The whole ladder as a picture; the list beside it is its twin in words. */
export function LadderRails(props: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const [all, setAll] = useState(false);
  return (
    <Box sx={{ minWidth: 0 }}>
      <FormControlLabel
        sx={{ '@media print': { display: 'none' } }}
        control={<Checkbox checked={all} onChange={(_, checked) => setAll(checked)} />}
        label="Show every tie"
      />
      <Box
        ref={ref}
        role="region"
        aria-label="The ladder, track by track"
        tabIndex={0}
        sx={{
          width: '100%',
          minHeight: 520,
          overflowX: 'auto',
          // Paper does not scroll.
          '@media print': { minHeight: 0, '& svg': { maxWidth: '100%', height: 'auto' } },
        }}
      >
        {width > 0 && <LadderDrawing {...props} width={width} all={all} />}
      </Box>
    </Box>
  );
}

interface DrawingProps extends Props {
  width: number;
  /** Whether every tie is drawn. */
  all: boolean;
}

/** The drawing alone, so wide. */
export function LadderDrawing({ levels, tracks, picked, onPick, next, width, all }: DrawingProps) {
  const { leather } = useTheme().palette;
  const [pointed, setPointed] = useState<number | null>(null);
  const ladder = layOut(levels, tracks, width);
  const rungWidth = (ladder.columns[0]?.to ?? 0) - (ladder.columns[0]?.from ?? 0) - 8;
  const letters = Math.max(8, Math.floor((rungWidth + 26) / 6.6));
  return (
    <svg
      width={ladder.width}
      height={ladder.ground + 56}
      viewBox={`0 0 ${ladder.width} ${ladder.ground + 56}`}
      role="img"
      aria-label={`${ladder.columns.length} tracks with ${levels.length} levels`}
    >
      <Ties {...{ levels, picked, pointed, all, at: ladder.at, half: rungWidth / 2 + 8 }} />
      {ladder.columns.map((column) => (
        <g key={column.track}>
          {[column.from, column.to].map((x) => (
            <line
              key={x}
              x1={x}
              x2={x}
              y1={column.top}
              y2={ladder.ground}
              stroke={leather.ink}
              strokeWidth={3.5}
              strokeLinecap="round"
            />
          ))}
          {inLines(column.name, letters).map((line, index) => (
            <text
              key={line}
              x={(column.from + column.to) / 2}
              y={ladder.ground + 19 + index * 14}
              textAnchor="middle"
              fontSize={textSize(13)}
              fill={leather.ink}
            >
              {line}
            </text>
          ))}
        </g>
      ))}
      <line
        x1={0}
        x2={ladder.width}
        y1={ladder.ground}
        y2={ladder.ground}
        stroke={leather.ink}
        strokeWidth={5}
      />
      {[...ladder.at.values()].map(({ place, x, y }) => {
        const drawn = levels[place]!;
        return (
          <g
            key={place}
            onClick={() => onPick(place)}
            onPointerEnter={() => setPointed(place)}
            onPointerLeave={() => setPointed(null)}
            style={{ cursor: 'pointer' }}
            data-level={`${drawn.level.skill}/${drawn.level.rung}`}
          >
            <title>{drawn.level.name}</title>
            <rect
              x={x - rungWidth / 2 - 6}
              y={y - 10}
              width={rungWidth + 12}
              height={20}
              fill="transparent"
            />
            <RungMark
              state={drawn.state}
              held={drawn.held}
              changed={drawn.changed}
              x={x}
              y={y}
              width={rungWidth}
            />
            {place === next && (
              <path d={`M${x - rungWidth / 2 - 16} ${y - 7}l11 7l-11 7z`} fill={leather.brick} />
            )}
            {place === picked && (
              <rect
                x={x - rungWidth / 2 - 4}
                y={y - 9}
                width={rungWidth + 8}
                height={18}
                rx={4}
                fill="none"
                stroke={leather.water}
                strokeWidth={3}
              />
            )}
          </g>
        );
      })}
    </svg>
  );
}

interface TiesProps {
  levels: DrawnLevel[];
  picked: number | null;
  pointed: number | null;
  /** Whether all ties are drawn, faint. */
  all: boolean;
  at: Map<number, RungPlace>;
  /** From a rung's middle to where its ties leave. */
  half: number;
}

/** What the picked level and the one that is pointed at need and open, as ties. */
function Ties({ levels, picked, pointed, all: shown, at, half }: TiesProps) {
  const { leather } = useTheme().palette;
  const tie = (need: number, place: number) => {
    const [a, b] = [at.get(need), at.get(place)];
    if (!a || !b) return '';
    if (a.x === b.x) return `M${a.x + half} ${a.y}q14 ${(b.y - a.y) / 2} 0 ${b.y - a.y}`;
    const way = b.x > a.x ? 1 : -1;
    const [x1, x2] = [a.x + way * half, b.x - way * half];
    return `M${x1} ${a.y}C${x1 + way * 30} ${a.y} ${x2 - way * 30} ${b.y} ${x2} ${b.y}`;
  };
  const all = levels.flatMap(({ level, needs }, place) =>
    needs
      .flat()
      .map((need) => ({ need, place, across: levels[need]?.level.track !== level.track })),
  );
  const isPicked = ({ need, place }: { need: number; place: number }) =>
    [need, place].some((end) => end === picked || end === pointed);
  return (
    <g fill="none" aria-hidden="true">
      {(shown ? all : [])
        .filter((one) => one.across && !isPicked(one))
        .map(({ need, place }) => (
          <path
            key={`${need} ${place}`}
            d={tie(need, place)}
            stroke={leather.line}
            strokeWidth={1}
            opacity={0.75}
          />
        ))}
      {all.filter(isPicked).map(({ need, place }) => (
        <path
          key={`${need} ${place}`}
          d={tie(need, place)}
          stroke={leather.water}
          strokeWidth={2.5}
          strokeDasharray={need === picked || need === pointed ? '6 4' : undefined}
        />
      ))}
    </g>
  );
}
