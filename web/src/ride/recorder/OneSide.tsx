import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { KeptRep } from '../../outbox/db';
import { sideWords } from '../../base/words/answers';
import type { Side } from './faces';
import { askedSoFar } from './Half';

interface Props {
  side: Side;
  reps: KeptRep[];
  children: ReactNode;
  /** How its name and its parts share the height. */
  rows: string;
}

/** What is touched for one side, under its name and what was asked of it so far. */
export function OneSide({ side, reps, children, rows }: Props) {
  return (
    <Box
      role="group"
      aria-label={sideWords[side]}
      data-testid={`half-${side}`}
      sx={{
        flex: 1,
        minWidth: 0,
        display: 'grid',
        gridTemplateRows: rows,
        borderRight: side === 'left' ? '3px solid' : undefined,
      }}
    >
      <Box sx={{ px: 1.5, py: 0.75 }}>
        {side !== 'both' && (
          <Typography component="p" variant="h2">
            {sideWords[side]}
          </Typography>
        )}
        <Typography noWrap>{askedSoFar(reps.filter((rep) => rep.side === side))}</Typography>
      </Box>
      {children}
    </Box>
  );
}
