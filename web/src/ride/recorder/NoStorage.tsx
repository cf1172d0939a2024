import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { PageFrame } from '../../shell/PageFrame';
import { useQueue } from '../../outbox/queue';
import { storageWords } from '../../outbox/storage';

/** This device cannot keep what is recorded, and says so before anything is. */
export function NoStorage() {
  const { storage, openStorage } = useQueue();
  if (storage === 'opening' || storage === 'ready') return null;
  return (
    <PageFrame title="Ride">
      <Typography variant="h1">This device can&apos;t keep a ride</Typography>
      <Typography role="alert" sx={{ my: 2, maxWidth: 560 }}>
        {storageWords[storage]}
      </Typography>
      <Button variant="contained" onClick={openStorage} sx={{ minHeight: 60 }}>
        Try again
      </Button>
    </PageFrame>
  );
}
