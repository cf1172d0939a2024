import Box from '@mui/material/Box';
import { NavLink } from 'react-router';
import { useWho } from '../data/who';

/** The pages of the barn: the board, the horses, the people. */
export function BarnLinks() {
  const { records } = useWho();
  const pages: [string, string][] = [
    ['/barn', 'Board'],
    ['/horses', 'Horses'],
    ...(records ? ([['/people', 'People']] as [string, string][]) : []),
  ];
  return (
    <Box
      component="nav"
      aria-label="The barn"
      sx={{
        display: 'flex',
        gap: 2,
        mb: 1,
        '@media print': { display: 'none' },
        '& a': { color: 'text.primary', minHeight: 44, display: 'flex', alignItems: 'center' },
        '& a[aria-current]': { fontWeight: 700, textDecoration: 'none' },
      }}
    >
      {pages.map(([to, name]) => (
        <NavLink key={to} to={to} end>
          {name}
        </NavLink>
      ))}
    </Box>
  );
}
