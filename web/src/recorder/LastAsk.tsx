import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { answerWords, seconds, sideWords } from '../words/answers';
import { ChangeAnswer } from './ChangeAnswer';
import type { Recorder } from './useRecorder';

/** The last ask, always in reach: undo it, change its answer; and the end of the ride. */
export function LastAsk({ recorder }: { recorder: Recorder }) {
  const { last, undo } = recorder;
  const [changing, setChanging] = useState(false);
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() === 'u' && !event.repeat) void undo();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [undo]);
  return (
    <Box component="footer" sx={{ px: 1, pb: 'max(8px, env(safe-area-inset-bottom))' }}>
      <Button
        fullWidth
        variant="text"
        disabled={!last}
        onClick={() => setChanging(true)}
        aria-live="polite"
        sx={{
          minHeight: 56,
          color: 'text.primary',
          fontFamily: 'inherit',
          textDecoration: last ? 'underline' : 'none',
        }}
      >
        {last
          ? `Last: ${sideWords[last.side].toLowerCase()}, ${seconds(last.measure.time_s)}, ${answerWords[last.measure.answer]}`
          : 'Hold a half when you take the rein'}
      </Button>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button
          disabled={!last}
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
          disabled={!recorder.ride}
          onClick={() => void recorder.finishRide()}
          sx={{ flex: 1, minHeight: 76, fontSize: '1.3rem' }}
        >
          Finish
        </Button>
      </Box>
      {changing && last && (
        <ChangeAnswer
          rep={last}
          onClose={() => setChanging(false)}
          onAnswer={(answer) => void recorder.change(answer)}
        />
      )}
    </Box>
  );
}
