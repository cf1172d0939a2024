import { useTheme } from '@mui/material/styles';
import type { Schemas } from '../base/api/client';

/** How a decision turned out: a knot that held, one that came loose, a rope not pulled yet. */
export function OutcomeMark({
  outcome,
  size = 32,
}: {
  outcome: Schemas['Outcome'];
  size?: number;
}) {
  const { leather } = useTheme().palette;
  const rope = {
    fill: 'none',
    stroke: leather.ink,
    strokeWidth: 3.5,
    strokeLinecap: 'round' as const,
  };
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true" style={{ flex: 'none' }}>
      {outcome === 'held' && (
        <>
          <path d="M3 16h26" {...rope} />
          <circle
            cx={16}
            cy={16}
            r={6.5}
            fill={leather.leather}
            stroke={leather.ink}
            strokeWidth={2.5}
          />
        </>
      )}
      {outcome === 'went_back' && (
        <>
          <path d="M3 16h8M21 16h8" {...rope} />
          <path d="M11 16q4 8 2 13M21 16q-4 8 -2 13" {...rope} stroke={leather.brick} />
        </>
      )}
      {outcome === 'too_early' && (
        <path d="M3 13q6.5 9 13 3t13 1" {...rope} strokeDasharray="1 6" />
      )}
    </svg>
  );
}
