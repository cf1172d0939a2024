import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import type { Button as RemoteButton } from '../../ride/recorder/clicker/presses';
import { keyName } from '../../ride/recorder/clicker/taught';

interface Props {
  which: 'first' | 'second';
  /** The key of the first button. */
  taken: string | undefined;
  onHeard: (button: RemoteButton) => void;
  onClose: () => void;
}

/** Let go sooner than this, the button does not say how long it was held. */
const heldMs = 800;

const never = new Set(['Tab', 'Escape', 'Shift', 'Control', 'Alt', 'Meta', 'Unidentified', 'Dead']);

/** Waits for one long press of the remote, and hears what it can. */
export function Listen({ which, taken, onHeard, onClose }: Props) {
  const [wrong, setWrong] = useState('');
  const pressed = useRef<{ key: string; at: number; repeats: boolean } | null>(null);
  useEffect(() => {
    const down = (event: KeyboardEvent) => {
      if (never.has(event.key)) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      if (event.key === taken) {
        setWrong(`${keyName(event.key)} is the first button already; press another.`);
        return;
      }
      if (event.repeat && pressed.current) pressed.current.repeats = true;
      else pressed.current = { key: event.key, at: event.timeStamp, repeats: false };
    };
    const up = (event: KeyboardEvent) => {
      const held = pressed.current;
      if (held?.key !== event.key) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      pressed.current = null;
      const holds = event.timeStamp - held.at >= heldMs;
      onHeard({ key: held.key, holds, repeats: held.repeats });
    };
    window.addEventListener('keydown', down, true);
    window.addEventListener('keyup', up, true);
    return () => {
      window.removeEventListener('keydown', down, true);
      window.removeEventListener('keyup', up, true);
    };
  }, [onHeard, taken]);
  return (
    <Box role="group" aria-label="Teaching" sx={{ border: '2px solid', p: 2, maxWidth: 620 }}>
      <Typography role="status" sx={{ fontWeight: 700, fontSize: '1.15rem' }}>
        {which === 'first'
          ? 'Hold the button for two seconds, then let go.'
          : 'Now hold the second button for two seconds, then let go. It will be the right side.'}
      </Typography>
      <Typography sx={{ my: 1 }}>
        Nothing happens? Pair the remote with this device first. Some phones keep the volume keys to
        themselves: set the remote to page keys or arrows.
      </Typography>
      {wrong && <Typography role="alert">{wrong}</Typography>}
      <Button variant="text" onClick={onClose} sx={{ minHeight: 48 }}>
        Not now
      </Button>
    </Box>
  );
}
