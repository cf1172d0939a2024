import Box from '@mui/material/Box';
import useMediaQuery from '@mui/material/useMediaQuery';
import { ReinStrip } from '../../draw/ReinStrip';
import type { DrawnRep } from '../../draw/rein';
import type { KeptRep } from '../../outbox/db';

/** As many of the last asks as fit between the halves. */
const shown = 14;

/** Which ask was the day's first is for the server to say: another ride may have come before. */
export function drawnKept(reps: KeptRep[]): DrawnRep[] {
  return reps.map(({ repId, side, measure, soft }) => ({
    repId,
    side,
    measure,
    soft,
    firstAsk: false,
  }));
}

/** The soft lines run down the whole half; what is too long is clipped. */
const linedRows = 60;

/** The ride's rein, growing between the halves; touches go through it. */
export function LiveRein({ reps, longestSoftS }: { reps: KeptRep[]; longestSoftS?: number }) {
  const width = useMediaQuery('(min-width: 800px)') ? 360 : 140;
  return (
    <Box
      sx={{
        position: 'absolute',
        left: '50%',
        top: 8,
        bottom: 0,
        overflow: 'hidden',
        ml: `${-width / 2}px`,
        pointerEvents: 'none',
      }}
    >
      <ReinStrip
        reps={drawnKept(reps).slice(-shown)}
        width={width}
        longestSoftS={longestSoftS}
        rows={linedRows}
      />
    </Box>
  );
}
