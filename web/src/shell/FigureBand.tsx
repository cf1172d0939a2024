import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

interface Props {
  /** A figure and what it is. */
  figures: [string, string][];
  /** What comes new on the page is said. */
  status?: boolean;
  children?: ReactNode;
}

/** The figures that the eye meets first, in a band across the page. */
export function FigureBand({ figures, status, children }: Props) {
  return (
    <Box
      role={status ? 'status' : undefined}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        columnGap: 5,
        rowGap: 1,
        my: 2,
        py: 1.5,
        borderTop: '5px solid',
        borderBottom: '1px solid',
        borderColor: 'text.primary',
      }}
    >
      {figures.map(([figure, name]) => (
        <Box key={name}>
          <Typography variant="h2" component="p">
            {figure}
          </Typography>
          <Typography>{name}</Typography>
        </Box>
      ))}
      {children}
    </Box>
  );
}
