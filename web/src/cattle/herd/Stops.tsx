import { useTheme } from '@mui/material/styles';
import { stopsInWords } from '../../base/words/herd';

interface Props {
  honesty: { share: number; low: number; high: number };
}

const width = 150;
const height = 20;

/** How honest a cow is: a rail of ten posts, standing as far as it stops, the range under it. */
export function Stops({ honesty: { share, low, high } }: Props) {
  const { palette } = useTheme();
  const at = (part: number) => 2 + part * (width - 4);
  const posts = Array.from({ length: 10 }, (_, index) => (index + 0.5) / 10);
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`${stopsInWords(share)}, likely ${Math.round(low * 10)} to ${Math.round(high * 10)}`}
      style={{ display: 'block' }}
    >
      <line
        x1={at(low)}
        x2={at(high)}
        y1={height - 2}
        y2={height - 2}
        stroke={palette.text.primary}
        strokeWidth={3}
      />
      {posts.map((post) => (
        <rect
          key={post}
          x={at(post) - 4}
          y={post < share ? 0 : 8}
          width={8}
          height={post < share ? 14 : 6}
          fill={post < share ? palette.text.primary : 'none'}
          stroke={palette.text.primary}
          strokeWidth={1.5}
        />
      ))}
    </svg>
  );
}
