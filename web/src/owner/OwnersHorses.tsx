import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { horsesQuery } from '../data/horse';
import { ownersPath } from '../data/owner';

/** One's own horses, each a touch from how it is doing. */
export function OwnersHorses() {
  const horses = useQuery(horsesQuery);
  return (
    <Box
      component="section"
      aria-label="My horses"
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}
    >
      {(horses.data ?? []).map(({ horse_id, name }) => (
        <Button
          key={horse_id}
          component={Link}
          to={ownersPath(horse_id)}
          variant="contained"
          sx={{ minHeight: 56 }}
        >
          How {name} is doing
        </Button>
      ))}
    </Box>
  );
}
