import Box from '@mui/material/Box';
import { Link, useLocation } from 'react-router';

const pages: [string, string][] = [
  ['/', 'Today'],
  ['/week', 'Week'],
  ['/barn', 'Barn'],
  ['/ladder', 'Ladder'],
  ['/yard', 'Yard'],
  ['/outcomes', 'Looking back'],
];

/** Pages that belong to another's word: the barn's horses and people, the day. */
const below: Record<string, RegExp> = {
  '/': /^\/(day.*)?$/,
  '/barn': /^\/(barn|people|horses$|horses\/(new|several)$)/,
  '/outcomes': /^\/(outcomes|review|reports)/,
};

const isOn = (to: string, path: string) =>
  below[to] ? below[to].test(path) : path === to || path.startsWith(`${to}/`);

/** The barn's own pages; below the name on a phone. */
export function PageLinks() {
  const { pathname } = useLocation();
  return (
    <Box
      component="nav"
      aria-label="Pages"
      sx={{
        display: 'flex',
        order: { xs: 1, md: 0 },
        width: { xs: '100%', md: 'auto' },
        flex: { md: 1 },
        ml: { md: 3 },
        justifyContent: { xs: 'space-between', md: 'flex-start' },
        gap: { md: 1 },
        '& a': {
          color: 'text.primary',
          textDecoration: 'none',
          minHeight: 48,
          display: 'flex',
          alignItems: 'center',
          px: { xs: 0.25, md: 1.5 },
          fontSize: { xs: '0.95rem', md: '1rem' },
          whiteSpace: 'nowrap',
          borderBottom: '4px solid transparent',
          fontWeight: 600,
        },
        '& a:hover': { textDecoration: 'underline' },
        '& a[aria-current]': { borderColor: 'text.primary' },
      }}
    >
      {pages.map(([to, name]) => (
        <Link key={to} to={to} aria-current={isOn(to, pathname) ? 'page' : undefined}>
          {name}
        </Link>
      ))}
    </Box>
  );
}
