import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Broken } from '../data/day';

/** What is broken, in words: what is refused, and what the trainer decides about. */
export function BrokenList({ broken, title }: { broken: Broken[]; title?: string }) {
  if (broken.length === 0) return null;
  return (
    <Box
      role="status"
      sx={{ borderLeft: '6px solid', borderColor: 'error.main', pl: 1.5, maxWidth: 720 }}
    >
      {title && (
        <Typography variant="h3" component="h2">
          {title}
        </Typography>
      )}
      {broken.map((one) => (
        <Typography key={`${one.rule} ${one.text}`}>
          <strong>{one.hard ? "Can't be:" : 'Your call:'}</strong> {one.text}
        </Typography>
      ))}
    </Box>
  );
}
