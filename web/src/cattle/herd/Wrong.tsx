import Typography from '@mui/material/Typography';
import { saidOfAll } from '../../base/form/problems';

/** Why something that has no form of its own was not done. */
export function Wrong({ error }: { error: Error | null }) {
  if (!error) return null;
  return (
    <Typography role="alert" sx={{ color: 'error.main' }}>
      {saidOfAll(error, []) ?? error.message}
    </Typography>
  );
}
