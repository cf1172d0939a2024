import { useTheme } from '@mui/material/styles';

interface Props {
  held: number;
  rusty: number;
  levels: number;
  /** Of those held, in doubt: the post leans. */
  doubted: number;
  /** Levels that were held and are lost: a piece lies at its foot. */
  lost: number;
}

const height = 46;

/**
 * How far a horse stands on a track: a post filled from the ground, its rusty part slanted.
 * It leans while something on it is in doubt; what was lost lies at its foot.
 */
export function HeldPost({ held, rusty, levels, doubted, lost }: Props) {
  const { leather } = useTheme().palette;
  const up = (count: number) => (height - 4) * (count / Math.max(1, levels));
  const solid = up(held - rusty);
  const worn = up(rusty);
  return (
    <svg width={28} height={height} aria-hidden="true" style={{ flex: 'none' }}>
      {lost > 0 && (
        <rect
          x={14}
          y={height - 9}
          width={13}
          height={7}
          rx={2}
          fill={leather.leather}
          stroke={leather.brick}
          strokeWidth={1.75}
        />
      )}
      <g transform={doubted > 0 ? `rotate(14 8 ${height - 2})` : undefined}>
        <rect
          x={2}
          y={2}
          width={12}
          height={height - 4}
          rx={2}
          fill={leather.paper}
          stroke={leather.ink}
          strokeWidth={1.75}
        />
        {solid > 0 && (
          <rect
            x={2}
            y={height - 2 - solid}
            width={12}
            height={solid}
            fill={leather.leather}
            stroke={leather.ink}
            strokeWidth={1.75}
          />
        )}
        {worn > 0 &&
          Array.from({ length: Math.max(1, Math.floor(worn / 5)) }, (_, stroke) => {
            const y = height - 2 - solid - stroke * 5;
            return (
              <line
                key={stroke}
                x1={3}
                x2={13}
                y1={y - 1}
                y2={y - 5}
                stroke={leather.leather}
                strokeWidth={2}
              />
            );
          })}
      </g>
    </svg>
  );
}
