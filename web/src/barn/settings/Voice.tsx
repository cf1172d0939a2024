import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { hasVoice, say } from '../../ride/recorder/clicker/voice';
import { voiceWanted, wantVoice } from '../../ride/recorder/clicker/voiceWanted';
import { Section } from '../../shell/Section';

/** A short spoken word after each ask, so that nobody has to look at the screen. */
export function Voice() {
  const [wanted, setWanted] = useState(voiceWanted);
  const there = useVoices();
  const turn = (next: boolean) => {
    wantVoice(next);
    setWanted(next);
    if (next) say('Left, soft, 3 of 4');
  };
  return (
    <Section
      title="Spoken words"
      intro="After each ask: the side, soft or not, how many today. And when it's a good place to quit."
    >
      <FormControlLabel
        sx={{ minHeight: 48 }}
        control={<Switch checked={wanted} onChange={(_, next) => turn(next)} />}
        label="Say it aloud"
      />
      {wanted && (
        <Button onClick={() => say('Left, soft, 3 of 4')} sx={{ minHeight: 48, ml: 1 }}>
          Hear it
        </Button>
      )}
      {!there && (
        <Typography role="note">
          This browser has no voice; it stays silent until one is installed.
        </Typography>
      )}
    </Section>
  );
}

/** Voices are known a moment after the page is opened. */
function useVoices(): boolean {
  const [there, setThere] = useState(hasVoice);
  useEffect(() => {
    if (!('speechSynthesis' in window)) return;
    const look = () => setThere(hasVoice());
    speechSynthesis.addEventListener('voiceschanged', look);
    return () => speechSynthesis.removeEventListener('voiceschanged', look);
  }, []);
  return there;
}
