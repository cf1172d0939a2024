import Box from '@mui/material/Box';
import type { Schemas } from '../base/api/client';
import { partWords } from '../base/words/card';

interface RailPart {
  part: Schemas['Part'];
  name: string;
  minutes: number;
}

/** The parts in which nothing is asked are drawn low, what is worked on tall. */
const heights: Partial<Record<Schemas['Part'], number>> = {
  work: 40,
  use: 40,
  review: 32,
  finish: 32,
  brake: 32,
  cold: 32,
};

/** A card as a rail: each part as long as its minutes, the work tall and filled. */
export function CardRail({ parts }: { parts: RailPart[] }) {
  const shown = parts.filter(({ minutes }) => minutes > 0);
  const label = shown.map(({ part, minutes }) => `${partWords[part]} ${minutes} min`).join(', ');
  return (
    <Box
      role="img"
      aria-label={label}
      sx={{ display: 'flex', alignItems: 'flex-end', gap: '2px', height: 40, width: '100%' }}
    >
      {shown.map(({ part, minutes }, index) => (
        <Box
          // A card may have the same part twice.
          key={index}
          sx={{
            flex: `${minutes} 1 0`,
            minWidth: 0,
            height: heights[part] ?? 18,
            overflow: 'hidden',
            border: '2px solid',
            borderColor: 'text.primary',
            borderStyle: part === 'breather' || part === 'set_up' ? 'dashed' : 'solid',
            borderRadius: part === 'walk_out' ? '0 16px 16px 0' : '2px',
            bgcolor: part === 'work' ? 'text.primary' : 'background.paper',
            color: part === 'work' ? 'background.paper' : 'text.primary',
            fontWeight: 700,
            fontSize: '0.9rem',
            lineHeight: 1,
            display: 'grid',
            placeItems: 'center',
          }}
        >
          {minutes > 2 && heights[part] ? minutes : ''}
        </Box>
      ))}
    </Box>
  );
}
