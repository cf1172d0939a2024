import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { groundUnit } from '../base/words/ground';
import { circle, feetOf, rectangle } from './layDraft';
import type { Feet } from './plan';

/** A place by two measures, to be put right afterward. */
export function StartShape({ onShape }: { onShape: (outline: Feet[]) => void }) {
  const [width, setWidth] = useState('');
  const [length, setLength] = useState('');
  const [across, length_] = [feetOf(width), feetOf(length)];
  const good = (feet: number | null) => feet !== null && feet >= 10 && feet <= 2000;
  return (
    <Box sx={{ mb: 3 }}>
      <Typography variant="h3" component="h2">
        Start from its measures
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5, mt: 1.5 }}>
        <TextField
          label={`Width (${groundUnit()})`}
          value={width}
          onChange={({ target }) => setWidth(target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal', maxLength: 8 } }}
        />
        <TextField
          label={`Length (${groundUnit()})`}
          value={length}
          onChange={({ target }) => setLength(target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal', maxLength: 8 } }}
        />
        <Button
          disabled={!good(across) || !good(length_)}
          onClick={() => onShape(rectangle(across!, length_!))}
        >
          Rectangle
        </Button>
        <Button disabled={!good(across)} onClick={() => onShape(circle(across!))}>
          Round, by its width
        </Button>
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary', mt: 1 }}>
        Or tap the corners on the plan.
      </Typography>
    </Box>
  );
}
