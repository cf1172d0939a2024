import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

interface Props {
  title: string;
  /** What it shows, in a sentence. */
  says?: ReactNode;
  children: ReactNode;
}

/** A part of a page under its own heading. */
export function Section({ title, says, children }: Props) {
  return (
    <Box component="section" aria-label={title} sx={{ minWidth: 0, mt: 4 }}>
      <Typography variant="h2">{title}</Typography>
      {says && (
        <Typography sx={{ color: 'text.secondary', maxWidth: 720, mt: 0.25 }}>{says}</Typography>
      )}
      <Box sx={{ mt: 1.5 }}>{children}</Box>
    </Box>
  );
}
