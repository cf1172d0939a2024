import Typography from '@mui/material/Typography';
import { PageFrame } from '../shell/PageFrame';
import { Archive } from './Archive';
import { Sheets } from './Sheets';

/** The barn's records as files: out of here, and in. */
export function RecordsPage() {
  return (
    <PageFrame title="Records in and out">
      <Typography variant="h1">Records in and out</Typography>
      <Typography sx={{ maxWidth: 640, mt: 0.5 }}>
        What you write down here is yours. Take it along whole, or as sheets that any program reads.
      </Typography>
      <Sheets />
      <Archive />
    </PageFrame>
  );
}
