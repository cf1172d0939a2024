import { useTheme } from '@mui/material/styles';
import type { Verdict } from '../base/words/answers';

/**
 * A verdict's own shape. It always stands beside its word; neither shape nor
 * colour says anything alone.
 */
export function VerdictMark({ verdict, size = 28 }: { verdict: Verdict; size?: number }) {
  const { leather } = useTheme().palette;
  const stroke = {
    stroke: leather.ink,
    strokeWidth: 3,
    fill: 'none',
    strokeLinecap: 'round' as const,
  };
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true" style={{ flex: 'none' }}>
      {verdict === 'advance' && (
        <>
          <path d="M5 4v24M28 8v20" {...stroke} />
          <path
            d="M5 8l13 4v14L5 24z"
            fill={leather.leather}
            stroke={leather.ink}
            strokeWidth={2}
          />
        </>
      )}
      {verdict === 'confirm' && (
        <>
          <path d="M6 4v24M26 4v24M6 24h20M6 17h20" {...stroke} />
          <path d="M10.5 10h12" {...stroke} stroke={leather.leather} strokeDasharray="0.5 5.5" />
        </>
      )}
      {verdict === 'stay' && (
        <>
          <path d="M6 4v24M26 4v24" {...stroke} />
          <path d="M6 10h20M6 17h20M6 24h20" {...stroke} />
        </>
      )}
      {verdict === 'ease_back' && (
        <>
          <path d="M24 6H12v18" {...stroke} />
          <path d="M5 18l7 8 7-8" {...stroke} stroke={leather.leather} strokeLinejoin="round" />
        </>
      )}
      {verdict === 'check_first' && (
        <>
          <path d="M16 3l13 13-13 13L3 16z" fill={leather.brick} />
          <path d="M16 9v9M16 23v.5" {...stroke} stroke={leather.paper} />
        </>
      )}
      {verdict === 'refresh' && (
        <>
          <path d="M7 16a9 9 0 1 1 3 6.7" {...stroke} />
          <path d="M4 21l6 2 1-6" {...stroke} strokeLinejoin="round" />
          <circle cx={16} cy={16} r={2.5} fill={leather.leather} />
        </>
      )}
    </svg>
  );
}
