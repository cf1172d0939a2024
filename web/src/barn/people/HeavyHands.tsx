import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { handsQuery } from '../../data/tack';

/** A kind word to the trainer where somebody has more in the hand than the tack allows. */
export function HeavyHands() {
  const hands = useQuery(handsQuery);
  const said = hands.data?.filter(({ says }) => says) ?? [];
  if (said.length === 0) return null;
  return (
    <Box component="section" aria-label="Hands" sx={{ mt: 5, maxWidth: 720 }}>
      <Typography variant="h2">Hands</Typography>
      {said.map((one) => (
        <Typography key={one.rider_id} sx={{ py: 0.75 }}>
          {one.says}{' '}
          <Box
            component={Link}
            to={`/people/${one.rider_id}`}
            sx={{ color: 'text.primary', fontWeight: 700, whiteSpace: 'nowrap' }}
          >
            Week by week
          </Box>
        </Typography>
      ))}
    </Box>
  );
}
