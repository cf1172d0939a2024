import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { hands, handWords, type HandWeight } from '../words/answers';
import { useKey } from './useKey';

interface Props {
  hand: HandWeight;
  onHand: (hand: HandWeight) => void;
}

/** How much is in the hand: set once, changed by one tap. */
export function HandBar({ hand, onHand }: Props) {
  const at = hands.indexOf(hand);
  const [lighter, heavier] = [hands[at - 1], hands[at + 1]];
  useKey('+', () => heavier && onHand(heavier));
  useKey('-', () => lighter && onHand(lighter));
  return (
    <Box
      role="group"
      aria-label="Hand weight"
      sx={{
        display: 'flex',
        alignItems: 'center',
        px: 1,
        gap: 1,
        borderBottom: '1px solid',
        borderColor: 'text.primary',
      }}
    >
      <Step label="Less hand" to={lighter} sign="−" onHand={onHand} />
      <Box sx={{ flex: 1, textAlign: 'center' }}>
        <Typography
          component="output"
          aria-live="polite"
          sx={{ fontSize: '1.25rem', fontWeight: 700 }}
        >
          {handWords[hand]}
        </Typography>
        <Box
          aria-hidden="true"
          sx={{ display: 'flex', justifyContent: 'center', gap: 0.5, mt: 0.5 }}
        >
          {hands.map((weight, index) => (
            <Box
              key={weight}
              sx={{
                width: 18,
                height: 8,
                border: '1.5px solid',
                bgcolor: index <= at ? 'text.primary' : 'transparent',
              }}
            />
          ))}
        </Box>
      </Box>
      <Step label="More hand" to={heavier} sign="+" onHand={onHand} />
    </Box>
  );
}

function Step({
  label,
  to,
  sign,
  onHand,
}: {
  label: string;
  to: HandWeight | undefined;
  sign: string;
  onHand: (hand: HandWeight) => void;
}) {
  return (
    <Button
      variant="text"
      aria-label={label}
      disabled={!to}
      onClick={() => to && onHand(to)}
      sx={{ minWidth: 88, minHeight: 76, fontSize: '2rem', color: 'text.primary' }}
    >
      {sign}
    </Button>
  );
}
