import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../api/client';
import { count } from '../words/plain';

/** What does not fit in rows of a sheet, line by line. */
export function RowErrors({ errors }: { errors: Schemas['RowError'][] }) {
  if (errors.length === 0) return null;
  return (
    <>
      <Typography variant="h2">
        {count(errors.length, 'thing')} to put right; nothing is added until then
      </Typography>
      <Box component="ul" aria-label="To put right" sx={{ pl: 2.5, mt: 1 }}>
        {errors.map((error, index) => (
          <Typography component="li" key={index}>
            {error.line > 0 && <strong>Line {error.line}</strong>}
            {error.column && `, ${error.column}`}: {error.detail}
          </Typography>
        ))}
      </Box>
    </>
  );
}
