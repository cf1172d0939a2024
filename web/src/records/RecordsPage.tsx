import Typography from '@mui/material/Typography';
import { PageFrame } from '../frame/PageFrame';
import { Archive } from './Archive';

/** The barn's records as files: out of here, and in. */
export function RecordsPage() {
  return (
    <PageFrame title="Records in and out">
      <Typography variant="h1">Records in and out</Typography>
      <Typography sx={{ maxWidth: 640, mt: 0.5 }}>
        What you write down here is yours: take it along whole, and bring it in elsewhere.
      </Typography>
      <Archive />
    </PageFrame>
  );
}
