import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { PageFrame } from './PageFrame';

export function NoPage() {
  return (
    <PageFrame title="Page not found">
      <Typography variant="h1">Page not found</Typography>
      <Typography sx={{ my: 2 }}>Check the address, or go back to Today.</Typography>
      <Button component={Link} to="/">
        Back to Today
      </Button>
    </PageFrame>
  );
}

/** The page itself broke; what was saved before is on the device. */
export function PageBroke() {
  return (
    <Box component="main" role="alert" sx={{ p: 4, maxWidth: 520 }}>
      <Typography variant="h1">Something went wrong on this page</Typography>
      <Typography sx={{ my: 2 }}>
        Everything saved on this device is still there. Reload the page.
      </Typography>
      <Button variant="contained" onClick={() => location.reload()}>
        Reload
      </Button>
    </Box>
  );
}
