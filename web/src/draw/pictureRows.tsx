import { useTheme } from '@mui/material/styles';
import type { ReactNode } from 'react';
import type { Schemas } from '../base/api/client';
import { repInWords, type DrawnRep } from './rein';

/** A picture of asks in rows, one an ask, in the order of asking. */

export type Of<K extends Schemas['Measure']['kind']> = Extract<Schemas['Measure'], { kind: K }>;

export interface RowsProps {
  reps: DrawnRep[];
  width: number;
  rowHeight: number;
  /** What the picture is called for those who hear it. */
  name: string;
  picked?: string | null;
  onPick?: (repId: string) => void;
  head?: ReactNode;
  headHeight?: number;
  row: (rep: DrawnRep) => ReactNode;
}

export function Rows({
  reps,
  width,
  rowHeight,
  name,
  picked,
  onPick,
  head,
  headHeight = 0,
  row,
}: RowsProps) {
  const { leather } = useTheme().palette;
  const soft = reps.filter((rep) => rep.soft).length;
  return (
    <svg
      width={width}
      height={headHeight + reps.length * rowHeight + 6}
      role="img"
      aria-label={`${name}: ${soft} of ${reps.length} soft`}
    >
      {head}
      {reps.map((rep, index) => (
        <g
          key={rep.repId}
          transform={`translate(0 ${headHeight + index * rowHeight})`}
          onClick={onPick ? () => onPick(rep.repId) : undefined}
          style={onPick && { cursor: 'pointer' }}
        >
          <title>{repInWords(rep)}</title>
          <rect
            x={1}
            y={1}
            width={width - 2}
            height={rowHeight - 2}
            fill="transparent"
            stroke={rep.repId === picked ? leather.brick : 'none'}
            strokeWidth={3}
          />
          <text x={6} y={rowHeight / 2 + 5} fontSize="0.85rem" fill={leather.ink}>
            {rep.side === 'both' ? '' : rep.side === 'left' ? 'L' : 'R'}
          </text>
          {row(rep)}
        </g>
      ))}
    </svg>
  );
}

export interface PictureProps {
  reps: DrawnRep[];
  width: number;
  picked?: string | null;
  onPick?: (repId: string) => void;
}
