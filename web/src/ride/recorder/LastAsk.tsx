import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { lazy, Suspense, useState } from 'react';
import type { KeptRep } from '../../outbox/db';
import { sideWords } from '../../base/words/answers';
import { measureInWords } from '../../base/words/measures';
import { otherAnswers } from './choices';
import { useKey } from './useKey';
import type { Recorder } from './useRecorder';

const ChangeAnswer = lazy(async () => ({ default: (await import('./ChangeAnswer')).ChangeAnswer }));

/** The last ask, always in reach: undo it, change its answer; and the end of the ride. */
export function LastAsk({ recorder }: { recorder: Recorder }) {
  const { last, takenBack, undo, bringBack } = recorder;
  const [changing, setChanging] = useState(false);
  useKey('u', () => void undo());
  const inMemory = recorder.unsaved > 0 || recorder.filling;
  const choices = last ? otherAnswers(recorder.face, last, recorder.set) : [];
  return (
    <Box component="footer" sx={{ px: 1, pb: 'max(8px, env(safe-area-inset-bottom))' }}>
      {takenBack ? (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, minHeight: 56 }}>
          <Typography role="status" sx={{ flex: 1 }}>
            Taken back: {inWords(takenBack)}
          </Typography>
          <Button variant="text" onClick={() => void bringBack()} sx={{ minHeight: 56 }}>
            Bring back
          </Button>
        </Box>
      ) : last ? (
        <Button
          disabled={inMemory || choices.length === 0}
          fullWidth
          variant="text"
          onClick={() => setChanging(true)}
          aria-live="polite"
          aria-label={`${lastInWords(last)}.${choices.length > 0 ? ' Change the answer' : ''}`}
          sx={{
            minHeight: 56,
            color: 'text.primary',
            font: 'inherit',
            textDecoration: choices.length > 0 ? 'underline' : 'none',
            '&:disabled': { color: 'text.primary' },
          }}
        >
          {lastInWords(last)}
        </Button>
      ) : (
        <Typography sx={{ minHeight: 56, display: 'grid', placeItems: 'center' }}>
          {recorder.face.how === 'hold' ? recorder.face.begin : ' '}
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button
          disabled={!last || inMemory}
          onClick={() => void undo()}
          sx={{
            flex: 1,
            minHeight: 76,
            fontSize: '1.3rem',
            color: 'text.primary',
            borderColor: 'text.primary',
          }}
        >
          Undo
        </Button>
        <Button
          variant="contained"
          disabled={recorder.storage !== 'ready' || inMemory || recorder.questions > 0}
          onClick={() => void recorder.finishRide()}
          sx={{ flex: 1, minHeight: 76, fontSize: '1.3rem' }}
        >
          Finish
        </Button>
      </Box>
      {changing && last && (
        <Suspense fallback={null}>
          <ChangeAnswer
            rep={last}
            onClose={() => setChanging(false)}
            choices={choices}
            onAnswer={(measure) => void recorder.change(measure)}
          />
        </Suspense>
      )}
    </Box>
  );
}

const inWords = ({ side, measure }: KeptRep) =>
  `${side === 'both' ? '' : `${sideWords[side].toLowerCase()}, `}${measureInWords(measure)}`;

const lastInWords = (rep: KeptRep) => `Last: ${inWords(rep)}`;
