import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { DrawnLater } from './DrawnLater';

interface Props {
  title: string;
  /** What an index of the page leads to. */
  id?: string;
  /** What it shows, in a sentence. */
  intro?: ReactNode;
  /** About how high it is, for a part that is drawn when it comes near. */
  later?: number;
  children: ReactNode;
}

/** A part of a page under its own heading. */
export function Section({ title, id, intro, later, children }: Props) {
  return (
    <Box
      component="section"
      aria-label={title}
      id={id}
      tabIndex={id ? -1 : undefined}
      sx={{ minWidth: 0, mt: 4, scrollMarginTop: '72px', outline: 'none' }}
    >
      <Typography variant="h2">{title}</Typography>
      {intro && (
        <Typography sx={{ color: 'text.secondary', maxWidth: 720, mt: 0.25 }}>{intro}</Typography>
      )}
      <Box sx={{ mt: 1.5 }}>
        {later ? <DrawnLater height={later}>{children}</DrawnLater> : children}
      </Box>
    </Box>
  );
}
