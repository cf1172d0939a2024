import Box from '@mui/material/Box';
import { NavLink } from 'react-router';
import { useWho } from '../../data/who';

/** The pages of looking back: how decisions turned out; for trainers, the month over the barn. */
export function BackLinks() {
  const { decides } = useWho();
  if (!decides) return null;
  return (
    <Box
      component="nav"
      aria-label="Looking back"
      sx={{
        display: 'flex',
        gap: 2,
        mb: 1,
        '@media print': { display: 'none' },
        '& a': { color: 'text.primary', minHeight: 44, display: 'flex', alignItems: 'center' },
        '& a[aria-current]': { fontWeight: 700, textDecoration: 'none' },
      }}
    >
      <NavLink to="/outcomes">What held</NavLink>
      <NavLink to="/review">The month</NavLink>
    </Box>
  );
}
