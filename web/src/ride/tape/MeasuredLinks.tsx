import Box from '@mui/material/Box';
import { NavLink } from 'react-router';
import { tapesPath } from '../../data/tapes';

/** What was measured of a horse outside the recorder: films, tracks, the traces of a rein gauge. */
export function MeasuredLinks({ horseId }: { horseId: string }) {
  const pages: [string, string][] = [
    [tapesPath(horseId), 'Films'],
    [`/horses/${horseId}/track`, 'Track of a ride'],
    [`/horses/${horseId}/gauge`, 'Rein gauge'],
  ];
  return (
    <Box
      component="nav"
      aria-label="Measured"
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        columnGap: 2,
        mb: 1,
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
