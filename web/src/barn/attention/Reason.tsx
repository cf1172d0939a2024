import Typography from '@mui/material/Typography';

/** Why the barn did not take something. */
export function Reason({ because }: { because: string | undefined }) {
  if (!because) return null;
  return (
    <Typography sx={{ mt: 0.5 }}>
      <strong>Why:</strong> {because}.
    </Typography>
  );
}
