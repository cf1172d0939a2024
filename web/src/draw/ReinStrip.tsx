import { useTheme } from '@mui/material/styles';
import { awayS, distanceScale, repInWords, rowHeight, stripInWords, type DrawnRep } from './rein';
import { RepMark } from './RepMark';

interface Props {
  reps: DrawnRep[];
  width: number;
  /** The longest soft time: a faint line on either side, where it is known. */
  longestSoftS?: number;
  /** Reps that do not count for what is looked at are drawn faint. */
  counts?: (rep: DrawnRep) => boolean;
  picked?: string | null;
  onPick?: (repId: string) => void;
  /** Draw at least this many rows, so that strips side by side are of one length. */
  rows?: number;
}

/** Left is left; an ask of both reins stands on both sides. */
const waysOf = ({ side }: DrawnRep) => (side === 'both' ? [-1, 1] : [side === 'left' ? -1 : 1]);

/**
 * One ride as a rein hanging down: time runs downwards, left is left, and the
 * longer the horse took the further a mark stands from the line. A soft horse
 * hugs the line.
 */
export function ReinStrip({ reps, width, longestSoftS, counts, picked, onPick, rows }: Props) {
  const { leather } = useTheme().palette;
  const centre = width / 2;
  const away = distanceScale(centre);
  const height = Math.max(reps.length, rows ?? 0) * rowHeight + 14;
  const end = reps.length * rowHeight + 8;
  return (
    <svg width={width} height={height} role="img" aria-label={stripInWords(reps)}>
      {(longestSoftS === undefined ? [] : [-1, 1]).map((way) => (
        <line
          key={way}
          x1={centre + way * away(longestSoftS ?? 0)}
          x2={centre + way * away(longestSoftS ?? 0)}
          y1={0}
          y2={height}
          stroke={leather.line}
          strokeDasharray="2 5"
          strokeWidth={1.5}
        />
      ))}
      <line
        x1={centre}
        x2={centre}
        y1={0}
        y2={end}
        stroke={leather.leather}
        strokeWidth={4}
        strokeLinecap="round"
      />
      {reps.map((rep, index) => (
        <g
          key={rep.repId}
          opacity={counts && !counts(rep) && picked !== rep.repId ? 0.25 : 1}
          onClick={onPick ? () => onPick(rep.repId) : undefined}
          style={onPick ? { cursor: 'pointer' } : undefined}
          data-rep={rep.repId}
        >
          <title>{repInWords(rep)}</title>
          <rect
            x={rep.side === 'right' ? centre : 0}
            y={index * rowHeight}
            width={rep.side === 'both' ? width : centre}
            height={rowHeight}
            fill="transparent"
          />
          {waysOf(rep).map((way) => (
            <RepMark
              key={way}
              rep={rep}
              centre={centre}
              way={way}
              away={away(awayS(rep))}
              y={index * rowHeight + rowHeight / 2}
              picked={picked === rep.repId}
            />
          ))}
        </g>
      ))}
    </svg>
  );
}
