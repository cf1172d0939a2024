import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { count } from '../../base/words/plain';
import { filmClock } from './film';
import { markInWords, type TapeMark } from './marks';

interface Props {
  marks: TapeMark[];
  films: number;
  onGo: (mark: TapeMark) => void;
  onRemove: (mark: TapeMark) => void;
}

/** All marks in order; a touch shows the frame. Hoof beats are many and stand apart. */
export function MarksList({ marks, films, onGo, onRemove }: Props) {
  const [beatsToo, setBeatsToo] = useState(false);
  const beats = marks.filter(isBeat).length;
  const ordered = marks
    .filter((mark) => beatsToo || !isBeat(mark))
    .sort((a, b) => a.film - b.film || a.at_s - b.at_s);
  if (marks.length === 0) return <Typography>No marks yet.</Typography>;
  return (
    <>
      {beats > 0 && (
        <Button
          aria-pressed={beatsToo}
          onClick={() => setBeatsToo(!beatsToo)}
          sx={{ minHeight: 48 }}
        >
          {beatsToo ? 'Without the hoof beats' : `And ${count(beats, 'hoof beat')}`}
        </Button>
      )}
      <Box
        component="ol"
        aria-label="All marks"
        sx={{ listStyle: 'none', m: 0, p: 0, maxHeight: 420, overflowY: 'auto' }}
        tabIndex={0}
      >
        {ordered.map((mark) => (
          <Box
            component="li"
            key={`${mark.film} ${mark.at_s} ${JSON.stringify(mark.mark)}`}
            sx={{ display: 'flex', alignItems: 'center', gap: 1 }}
          >
            <Button
              variant="text"
              onClick={() => onGo(mark)}
              sx={{
                flex: 1,
                justifyContent: 'flex-start',
                minHeight: 48,
                gap: 1.5,
                color: 'text.primary',
              }}
            >
              <Box component="span" sx={{ fontVariantNumeric: 'tabular-nums', fontWeight: 700 }}>
                {filmClock(mark.at_s)}
              </Box>
              {markInWords(mark.mark)}
              {films > 1 && `, film ${mark.film + 1}`}
            </Button>
            <Button
              variant="text"
              aria-label={`Take away ${markInWords(mark.mark)} at ${filmClock(mark.at_s)}`}
              onClick={() => onRemove(mark)}
              sx={{ minWidth: 48, minHeight: 48 }}
            >
              ✕
            </Button>
          </Box>
        ))}
      </Box>
    </>
  );
}

const isBeat = ({ mark }: TapeMark) => mark.kind === 'hoof_beat';
