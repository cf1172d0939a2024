import Box from '@mui/material/Box';
import Slider from '@mui/material/Slider';
import Typography from '@mui/material/Typography';
import { useId, type ReactNode } from 'react';

interface SliderProps {
  label: string;
  value: number;
  said: string;
  note?: ReactNode;
  min: number;
  max: number;
  step: number;
  onChange: (event: Event, value: number) => void;
  onChangeCommitted?: () => void;
}

/** A slider with what it stands at in words above it. */
export function OneSlider({ label, said, note, onChange, ...slider }: SliderProps) {
  const id = useId();
  return (
    <Box sx={{ maxWidth: 460, mt: 0.5 }}>
      <Typography id={id} component="span">
        {said}
        {note && (
          <Box component="span" sx={{ color: 'text.secondary' }}>
            {' '}
            ({note})
          </Box>
        )}
      </Typography>
      <Slider
        {...slider}
        aria-label={label}
        getAriaValueText={() => said}
        onChange={(event, value) => onChange(event, value)}
        sx={{ height: 10, py: 2, '& .MuiSlider-thumb': { width: 30, height: 30 } }}
      />
    </Box>
  );
}
