import Box from '@mui/material/Box';
import { stateWords } from '../base/words/states';
import type { DrawnLevel } from '../draw/ladderLayout';

interface Props {
  levels: DrawnLevel[];
  tracks: { id: string; name: string }[];
  picked: number | null;
  onPick: (place: number) => void;
}

/** The ladder in words: its tracks, each opening to its levels from the ground up. */
export function LevelList({ levels, tracks, picked, onPick }: Props) {
  const pickedTrack = picked === null ? null : levels[picked]?.level.track;
  return (
    <Box role="group" aria-label="The ladder in words">
      {tracks.map(({ id, name }) => {
        const own = levels
          .map((drawn, place) => ({ ...drawn, place }))
          .filter(({ level }) => level.track === id);
        if (own.length === 0) return null;
        return (
          // Opened anew when another track is picked on the drawing.
          <Box
            component="details"
            key={`${id} ${id === pickedTrack}`}
            open={id === pickedTrack}
            sx={{ borderTop: '1px solid', borderColor: 'divider' }}
          >
            <Box
              component="summary"
              sx={{ cursor: 'pointer', minHeight: 36, pt: 0.75, fontWeight: 700 }}
            >
              {name}
            </Box>
            <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, pb: 1 }}>
              {own.map(({ level, place, state, changed }) => (
                <li key={place}>
                  <Box
                    component="button"
                    type="button"
                    aria-pressed={place === picked}
                    onClick={() => onPick(place)}
                    sx={{
                      all: 'unset',
                      cursor: 'pointer',
                      boxSizing: 'border-box',
                      width: '100%',
                      minHeight: 32,
                      px: 1,
                      py: 0.5,
                      borderLeft: '5px solid',
                      borderColor: place === picked ? 'secondary.main' : 'transparent',
                      '&:hover': { textDecoration: 'underline' },
                      '&:focus-visible': { outline: '3px solid', outlineColor: 'secondary.main' },
                    }}
                  >
                    {level.name}
                    {state && `: ${stateWords[state]}`}
                    {changed && ' (changed)'}
                  </Box>
                </li>
              ))}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
