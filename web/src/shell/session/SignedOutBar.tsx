import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { lazy, Suspense, useState } from 'react';

const SignInAgain = lazy(async () => ({ default: (await import('./SignInAgain')).SignInAgain }));

/** The session ended in the middle of a ride: said, and mended in place. Recording goes on. */
export function SignedOutBar() {
  const [open, setOpen] = useState(false);
  return (
    <Box
      role="alert"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        px: 2,
        py: 0.5,
        bgcolor: 'text.primary',
        color: 'background.default',
      }}
    >
      <Typography sx={{ flex: 1 }}>Signed out. What you record is kept here.</Typography>
      <Button
        variant="contained"
        onClick={() => setOpen(true)}
        sx={{ minHeight: 56, bgcolor: 'background.paper', color: 'text.primary' }}
      >
        Sign in
      </Button>
      {open && (
        <Suspense fallback={null}>
          <SignInAgain onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </Box>
  );
}
