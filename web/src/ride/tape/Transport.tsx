import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import { useKey } from '../recorder/useKey';
import { filmClock } from './film';
import { useShownS } from './useFilmFrames';
import { speeds, type Player } from './usePlayer';

/** Play, slow, step: by the buttons or by keys that no face uses. */
export function Transport({ player }: { player: Player }) {
  const { film, playing, speed, setSpeed, toggle, step } = player;
  useKey('p', toggle);
  useKey(',', () => step(-1));
  useKey('.', () => step(1));
  const second = film ? Math.round(1 / film.frame_s) : 1;
  useKey('<', () => step(-second));
  useKey('>', () => step(second));
  if (!film) return null;
  const steps: [string, string, number][] = [
    ['Back a second (<)', '−1 s', -second],
    ['Back a frame (,)', '◂', -1],
    ['On a frame (.)', '▸', 1],
    ['On a second (>)', '+1 s', second],
  ];
  return (
    <Box role="group" aria-label="Film" sx={{ mt: 1 }}>
      <Scrub player={player} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, alignItems: 'center' }}>
        {steps.slice(0, 2).map((one) => (
          <Step key={one[0]} of={one} onStep={step} />
        ))}
        <Button variant="contained" onClick={toggle} sx={{ minHeight: 56, minWidth: 112 }}>
          {playing ? 'Stop' : 'Play'} (P)
        </Button>
        {steps.slice(2).map((one) => (
          <Step key={one[0]} of={one} onStep={step} />
        ))}
        <Box role="group" aria-label="Speed" sx={{ display: 'flex', gap: 0.5, ml: { sm: 'auto' } }}>
          {speeds.map(([rate, words]) => (
            <Button
              key={rate}
              aria-label={`Speed ${words}`}
              aria-pressed={speed === rate}
              variant={speed === rate ? 'contained' : 'outlined'}
              onClick={() => setSpeed(rate)}
              sx={{ minHeight: 56, minWidth: 56 }}
            >
              {words}×
            </Button>
          ))}
        </Box>
      </Box>
    </Box>
  );
}

interface StepProps {
  of: [string, string, number];
  onStep: (frames: number) => void;
}

function Step({ of: [label, words, frames], onStep }: StepProps) {
  return (
    <Button
      aria-label={label}
      title={label}
      onClick={() => onStep(frames)}
      sx={{ minHeight: 56, minWidth: 60, fontSize: '1.1rem' }}
    >
      {words}
    </Button>
  );
}

function Scrub({ player }: { player: Player }) {
  const { film, times, active, seekFrame } = player;
  const shown = useShownS(times[active]!);
  if (!film) return null;
  return (
    <Slider
      aria-label="Where in the film"
      getAriaValueText={filmClock}
      min={0}
      max={film.length_s}
      step={film.frame_s}
      value={Math.min(shown, film.length_s)}
      onChange={(_, value) => seekFrame(value)}
    />
  );
}
