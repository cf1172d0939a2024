import Typography from '@mui/material/Typography';

/** An order that the flag did not get. */
export function NotHeard({ error }: { error: Error | null }) {
  if (!error) return null;
  return (
    <Typography role="alert" sx={{ color: 'error.main', fontWeight: 700 }}>
      The flag did not hear that: {error.message}. Stop it by hand.
    </Typography>
  );
}
