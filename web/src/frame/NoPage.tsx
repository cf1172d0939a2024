import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { PageFrame } from './PageFrame';

export function NoPage() {
  return (
    <PageFrame title="Nothing here">
      <Typography variant="h1">Nothing here</Typography>
      <Typography sx={{ my: 2 }}>This address leads nowhere.</Typography>
      <Button component={Link} to="/">
        Back to Today
      </Button>
    </PageFrame>
  );
}

/** The page itself broke; what was recorded is on the device. */
export function PageBroke() {
  return (
    <Box component="main" role="alert" sx={{ p: 4, maxWidth: 520 }}>
      <Typography variant="h1">This page broke</Typography>
      <Typography sx={{ my: 2 }}>
        What you recorded is kept on this device. Open the page again.
      </Typography>
      <Button variant="contained" onClick={() => location.reload()}>
        Open again
      </Button>
    </Box>
  );
}
