import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { heatInWords, heatWords } from '../../base/words/heat';
import type { DayShown } from '../../data/day';
import { pxPerMin } from '../scale';

type Heat = DayShown['heat'];

interface Props {
  heat: Heat;
  first: number;
  last: number;
}

/** Bars across the left edge of the lanes: one, two or three the hotter it is. */
const bars = { usual: 0, more_breaks: 1, short_and_slow: 2, no_riding: 3 } as const;

/** The hours that are drawn. */
export const heatWithin = (heat: Heat, first: number, last: number) =>
  heat.filter(({ hour }) => hour.from_min >= first * 60 && hour.from_min < last * 60);

/** How hot each hour is, beside the clock: a word and bars where it limits the work. */
export function HeatByHour({ heat, first, last }: Props) {
  const shown = heatWithin(heat, first, last);
  return (
    <Box
      component="ol"
      aria-label="Heat by the hour"
      sx={{ listStyle: 'none', m: 0, p: 0, position: 'relative' }}
    >
      {shown.map(({ hour, band }) => (
        <Box
          component="li"
          key={hour.from_min}
          sx={{
            position: 'absolute',
            top: (hour.from_min - first * 60) * pxPerMin,
            height: 60 * pxPerMin,
            left: 0,
            right: 4,
            display: 'flex',
            gap: '3px',
          }}
        >
          <Box aria-hidden="true" sx={{ display: 'flex', gap: '2px', width: 20, flex: 'none' }}>
            {Array.from({ length: bars[band] }, (_, index) => (
              <Box key={index} sx={{ width: 5, bgcolor: 'error.main' }} />
            ))}
          </Box>
          <Typography variant="body2" sx={{ lineHeight: 1.25, transform: 'translateY(-2px)' }}>
            {heatInWords(hour)}
            {heatWords[band] && (
              <Box component="strong" sx={{ display: 'block' }}>
                {heatWords[band]}
              </Box>
            )}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}
