import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { useWho } from '../data/who';

/** No horse yet, and the one next step. */
export function NoHorses() {
  const { decides, role } = useWho();
  return (
    <>
      <Typography sx={{ my: 2, maxWidth: 520 }}>
        {decides
          ? 'No horse is here yet. Each one you add gets a page, a card for its next ride, and a place on the ladder.'
          : role === 'owner'
            ? 'There is no horse here yet that you can see. Ask your trainer to put one under your name.'
            : 'No horse is here yet. Ask your trainer to add one.'}
      </Typography>
      {decides && (
        <Button component={Link} to="/horses/new" variant="contained" sx={{ minHeight: 56 }}>
          Add a horse
        </Button>
      )}
    </>
  );
}
