import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Schemas } from '../../base/api/client';
import { sideWords } from '../../base/words/answers';
import { longDay } from '../../base/words/days';
import { measureInWords } from '../../base/words/measures';

interface Props {
  /** Newest first. */
  strips: Schemas['Strip'][];
  picked: string | null;
  onPick: (repId: string) => void;
}

/** Every mark of the strips in words, for keyboards and screen readers. */
export function AskList({ strips, picked, onPick }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <Box
      component="details"
      onToggle={(event) => setOpen(event.currentTarget.open)}
      sx={{ mt: 2, maxWidth: 720 }}
    >
      <Box component="summary" sx={{ cursor: 'pointer', minHeight: 44, py: 1 }}>
        Every ask in words
      </Box>
      {open &&
        strips.map((strip) => (
          <Box key={strip.ride_id} sx={{ mb: 1.5 }}>
            <Typography variant="h3">{longDay(strip.day)}</Typography>
            <Box component="ol" sx={{ m: 0, pl: 3 }}>
              {strip.reps.map((rep) => (
                <li key={rep.rep_id}>
                  <Button
                    variant="text"
                    size="small"
                    aria-pressed={rep.rep_id === picked}
                    onClick={() => onPick(rep.rep_id)}
                    sx={{ textAlign: 'left', minHeight: 40 }}
                  >
                    {sideWords[rep.side]}: {measureInWords(rep.measure)}, {rep.soft ? '' : 'not '}
                    soft
                  </Button>
                </li>
              ))}
            </Box>
          </Box>
        ))}
    </Box>
  );
}
