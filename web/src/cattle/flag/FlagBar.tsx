import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../base/api/client';
import { howWords } from '../../base/words/herd';
import { FlagLine } from './FlagLine';
import { NotHeard } from './NotHeard';
import { useFlag, useOrders } from './useFlag';
import { useProgram, type ProgramWanted } from './useProgram';

interface Props {
  working: boolean;
  tempo: Schemas['Tempo'];
  onWork: () => void;
  onEnd: (how: Schemas['HowEnded']) => void;
}

/** The flag on the turn face: where it is, start and stop; each turn is kept with its place. */
export function FlagBar({ working, tempo, onWork, onEnd }: Props) {
  const flag = useFlag();
  const { wanted, orderOf } = useProgram();
  const { mutate: order, error } = useOrders();
  const start = () => {
    if (!working) onWork();
    if (flag) order(orderOf(flag, tempo));
  };
  const stop = () => {
    if (flag) order({ order: 'stop' });
  };
  const quit = () => {
    onEnd('good_turn');
    stop();
  };
  const runs = flag && flag.at.state !== 'stopped' && flag.at.moves_left > 0;
  return (
    <Box
      component="section"
      aria-label="Flag"
      sx={{ px: 1, py: 0.5, borderTop: '1px solid', borderColor: 'text.primary' }}
    >
      {flag ? (
        <>
          <FlagLine flag={flag} />
          <NotHeard error={error} />
        </>
      ) : (
        <Typography sx={{ fontSize: '0.95rem' }}>
          No flag on the line. Turns are kept all the same, without its place.
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 0.5, mt: 0.5 }}>
        {runs ? (
          <Button onClick={stop} sx={{ ...touchSx, borderWidth: 3 }}>
            Stop the flag
          </Button>
        ) : (
          <Button onClick={start} sx={touchSx}>
            {flag ? `Start: ${inWords(wanted)}` : working ? 'On the flag' : 'Begin the work'}
          </Button>
        )}
        {working && (
          <Button onClick={quit} sx={touchSx}>
            {howWords.good_turn}
          </Button>
        )}
      </Box>
    </Box>
  );
}

const inWords = ({ minutes, moreSide, runsAhead }: ProgramWanted) =>
  [`${minutes} min`, moreSide !== 'both' && `more ${moreSide}`, runsAhead && 'fakes']
    .filter(Boolean)
    .join(', ');

const touchSx = {
  minHeight: 64,
  px: 1,
  flex: 1,
  fontSize: '1rem',
  lineHeight: 1.15,
  color: 'text.primary',
} as const;
