import { useTheme } from '@mui/material/styles';
import { percent } from '../base/words/plain';
import { useWidth } from './useWidth';
import { textSize } from './textSize';

interface Props {
  left: { soft: number; asked: number };
  right: { soft: number; asked: number };
  /** The horse's stiff side, where this level shows it. */
  stiff: 'left' | 'right' | null;
}

const height = 34;

/** Left against right as a beam on a post: each arm as long as it is soft. */
export function SideBeam(props: Props) {
  const [ref, width] = useWidth<HTMLDivElement>();
  return <div ref={ref}>{width > 0 && <Beam {...props} width={width} />}</div>;
}

function Beam({ left, right, stiff, width }: Props & { width: number }) {
  const { leather } = useTheme().palette;
  const middle = width / 2;
  const arm = middle - 58;
  const share = (of: { soft: number; asked: number }) => of.soft / Math.max(1, of.asked);
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`Left ${percent(share(left))} of ${left.asked}, right ${percent(share(right))} of ${right.asked}`}
    >
      {(
        [
          ['left', -1, left],
          ['right', 1, right],
        ] as const
      ).map(([side, way, tally]) => {
        const length = arm * share(tally);
        return (
          <g key={side}>
            <line
              x1={middle}
              x2={middle + way * arm}
              y1={17}
              y2={17}
              stroke={leather.line}
              strokeWidth={2}
            />
            <rect
              x={way < 0 ? middle - length : middle}
              y={10}
              width={length}
              height={14}
              fill={stiff === side ? leather.paper : leather.leather}
              stroke={leather.ink}
              strokeWidth={2}
            />
            <text
              x={middle + way * (arm + 8)}
              y={23}
              textAnchor={way < 0 ? 'end' : 'start'}
              fontSize={textSize(17)}
              fontWeight={stiff === side ? 800 : 600}
              fill={stiff === side ? leather.brick : leather.ink}
            >
              {percent(share(tally))}
            </text>
          </g>
        );
      })}
      <rect x={middle - 3} y={2} width={6} height={30} rx={2} fill={leather.ink} />
    </svg>
  );
}
