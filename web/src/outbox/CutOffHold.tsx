import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useWho } from '../data/who';
import { seconds, sideWords } from '../base/words/answers';
import { clockIn } from '../base/words/days';
import type { KeptHold } from './db';
import type { Settled } from './settled';

const answersOf = (kind: string | undefined): [string, Settled][] => [
  [kind === 'stop' ? 'Off the bridle' : 'Gave', 'gave'],
  [kind === 'stop' ? 'Stayed on it' : 'Did not give', 'did_not_give'],
  ['Not an ask', null],
];

/** Asks what came of a hold that was cut off. */
export function CutOffHold({
  hold,
  onAnswer,
}: {
  hold: KeptHold;
  onAnswer: (answer: Settled) => void;
}) {
  const { time_zone } = useWho();
  return (
    <Box
      role="alertdialog"
      aria-label="Your hold was cut off"
      sx={{
        position: 'fixed',
        inset: 'auto 0 0 0',
        zIndex: 'modal',
        bgcolor: 'background.paper',
        color: 'text.primary',
        p: 2,
        pb: 'max(16px, env(safe-area-inset-bottom))',
        borderTop: '3px solid',
      }}
    >
      <Typography sx={{ mb: 1, maxWidth: 720, mx: 'auto' }}>
        <strong>
          {hold.horseName}, {hold.levelName}
          {hold.side !== 'both' && `, ${sideWords[hold.side].toLowerCase()}`}.
        </strong>{' '}
        Your hold at {clockIn(time_zone, hold.askedAt)} was cut off after{' '}
        {hold.heldS > 0 ? seconds(hold.heldS) : 'less than half a second'}. What did the horse do?
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, maxWidth: 720, mx: 'auto' }}>
        {answersOf(hold.measure?.kind).map(([label, answer]) => (
          <Box
            key={label}
            component="button"
            type="button"
            onClick={() => onAnswer(answer)}
            sx={{
              flex: 1,
              minHeight: 76,
              font: 'inherit',
              fontWeight: 700,
              bgcolor: 'background.paper',
              color: 'text.primary',
              border: '2px solid',
              borderRadius: '5px',
            }}
          >
            {label}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
