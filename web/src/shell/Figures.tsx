import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** Figures with their names, one tap deeper than the words they stand behind. */
export function Figures({ children }: { children: ReactNode }) {
  return (
    <Box component="details" sx={{ fontSize: '0.9375rem' }}>
      <Box
        component="summary"
        sx={{ cursor: 'pointer', minHeight: 32, py: 0.5, color: 'text.secondary' }}
      >
        Figures
      </Box>
      {children}
    </Box>
  );
}
