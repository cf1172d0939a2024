import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { lazy, Suspense, type ReactNode } from 'react';
import { Link } from 'react-router';
import { NosebandMark } from '../draw/NosebandMark';
import { KeptHere } from '../outbox/KeptHere';
import { useWho } from '../data/who';
import { PageLinks } from './PageLinks';
import { PersonMenu } from './PersonMenu';

const RidingNow = lazy(async () => ({ default: (await import('../outbox/RidingNow')).RidingNow }));

/** The page's head: where one is, where one can go, what is kept here, who is signed in. */
export function PageFrame({ title, children }: { title: string; children: ReactNode }) {
  const who = useWho();
  return (
    <>
      <title>{`${title} · Cavesson`}</title>
      <Box
        component="header"
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          alignItems: 'center',
          columnGap: 1.5,
          px: { xs: 2, md: 4 },
          pt: 1,
          pb: { xs: 0, md: 1 },
          borderBottom: '3px double',
          borderColor: 'divider',
          '@media print': { display: 'none' },
        }}
      >
        <Box
          component={Link}
          to="/"
          sx={{
            display: 'flex',
            alignItems: 'center',
            gap: 1,
            minHeight: 48,
            color: 'text.primary',
            textDecoration: 'none',
            flex: { xs: 1, md: 'none' },
            minWidth: 0,
          }}
        >
          <NosebandMark size={34} />
          <Typography component="span" variant="h3" noWrap>
            {who.barn}
          </Typography>
        </Box>
        <PageLinks />
        <KeptHere />
        <PersonMenu />
      </Box>
      <Suspense fallback={null}>
        <RidingNow />
      </Suspense>
      <Box
        component="main"
        sx={{ px: { xs: 2, md: 4 }, py: { xs: 2, md: 3 }, maxWidth: 1240, mx: 'auto' }}
      >
        {children}
      </Box>
    </>
  );
}
