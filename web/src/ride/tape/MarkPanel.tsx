import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useKey } from '../recorder/useKey';
import { markKeys, markOf, nextBarrel, type Mark, type MarkKey, type TapeMark } from './marks';

interface Props {
  marks: TapeMark[];
  onMark: (mark: Mark) => void;
}

/** What can be marked at the frame that is shown, by a button or by its key. */
export function MarkPanel({ marks, onMark }: Props) {
  const [picked, setPicked] = useState<number | null>(null);
  const barrel = picked ?? nextBarrel(marks);
  const mark = (of: MarkKey) => {
    onMark(markOf(of, barrel));
    if (of.mark === 3) setPicked(null);
  };
  return (
    <Box role="group" aria-label="Marks">
      <Box
        role="group"
        aria-label="Barrel"
        sx={{ display: 'flex', gap: 0.5, alignItems: 'center', mb: 1 }}
      >
        <Typography sx={{ flex: 1 }}>Barrel</Typography>
        {[1, 2, 3].map((one) => (
          <Button
            key={one}
            aria-label={`Barrel ${one}`}
            aria-pressed={barrel === one}
            variant={barrel === one ? 'contained' : 'outlined'}
            onClick={() => setPicked(one)}
            sx={{ minWidth: 64, minHeight: 56 }}
          >
            {one}
          </Button>
        ))}
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(6, minmax(0, 1fr))', gap: 0.5 }}>
        {markKeys.map((one) => (
          <MarkButton key={one.key} of={one} onMark={() => mark(one)} />
        ))}
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary', mt: 1 }}>
        A mark stands on the frame that is shown. For hoof beats, mark the same foot each time it
        lands.
      </Typography>
    </Box>
  );
}

function MarkButton({ of, onMark }: { of: MarkKey; onMark: () => void }) {
  useKey(of.key, onMark);
  return (
    <Button
      onClick={onMark}
      sx={{
        minHeight: 64,
        gridColumn: `span ${of.wide}`,
        justifyContent: 'space-between',
        textAlign: 'left',
        lineHeight: 1.2,
        px: 1,
        gap: 0.5,
      }}
    >
      <span>{of.name}</span>
      <Box component="kbd" sx={{ fontFamily: 'inherit', fontWeight: 700 }}>
        {of.key.toUpperCase()}
      </Box>
    </Button>
  );
}
