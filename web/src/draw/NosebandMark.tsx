import { useTheme } from '@mui/material/styles';

/** The product's own mark: a noseband with its ring. */
export function NosebandMark({ size }: { size: number }) {
  const { leather } = useTheme().palette;
  return (
    <svg width={size} height={size} viewBox="0 0 48 48" aria-hidden="true">
      <path
        d="M9 13c0 16 6 24 15 24s15-8 15-24"
        fill="none"
        stroke={leather.leather}
        strokeWidth={6}
        strokeLinecap="round"
      />
      <circle cx={24} cy={38} r={5.5} fill={leather.ground} stroke={leather.ink} strokeWidth={3} />
      <circle cx={9} cy={12} r={4} fill={leather.ink} />
      <circle cx={39} cy={12} r={4} fill={leather.ink} />
    </svg>
  );
}
