import Box from '@mui/material/Box';
import { ForOwners } from './ForOwners';

/** How it judges, for whoever opened a link: nothing of a barn is in it. */
export function OwnersHelpPage() {
  return (
    <Box
      component="main"
      sx={{ px: { xs: 2, md: 4 }, py: { xs: 2, md: 3 }, maxWidth: 1000, mx: 'auto' }}
    >
      <title>How it judges · Cavesson</title>
      <ForOwners />
    </Box>
  );
}
