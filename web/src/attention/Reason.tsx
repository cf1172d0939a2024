import Typography from '@mui/material/Typography';

/** Why the barn did not take something. */
export function Reason({ says }: { says: string | undefined }) {
  if (!says) return null;
  return (
    <Typography sx={{ mt: 0.5 }}>
      <strong>Why:</strong> {says}.
    </Typography>
  );
}
