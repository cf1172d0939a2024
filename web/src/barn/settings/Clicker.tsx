import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Button as RemoteButton } from '../../ride/recorder/clicker/presses';
import {
  keyName,
  taughtClicker,
  teachClicker,
  type Taught,
} from '../../ride/recorder/clicker/taught';
import { Section } from '../../shell/Section';
import { ClickerCard } from './ClickerCard';
import { Listen } from './Listen';

/** Teaching a small remote, and the one card of what its presses say. */
export function Clicker() {
  const [taught, setTaught] = useState(taughtClicker);
  const [teaching, setTeaching] = useState<'first' | 'second' | null>(null);
  const keep = (next: Taught | null) => {
    teachClicker(next);
    setTaught(next);
    setTeaching(null);
  };
  const heard = (button: RemoteButton) => {
    if (teaching === 'second' && taught) keep([taught[0], button]);
    else keep([button]);
  };
  return (
    <Section
      title="A clicker for the hand"
      intro="Any small Bluetooth remote that types keys will do: page keys, arrows, Enter, volume. The phone lies in a mount, or with the helper."
    >
      {taught && <Heard taught={taught} />}
      {teaching ? (
        <Listen
          which={teaching}
          taken={teaching === 'second' ? taught?.[0].key : undefined}
          onHeard={heard}
          onClose={() => setTeaching(null)}
        />
      ) : (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
          <Button
            variant={taught ? 'outlined' : 'contained'}
            onClick={() => setTeaching('first')}
            sx={{ minHeight: 56 }}
          >
            {taught ? 'Teach it anew' : 'Teach a clicker'}
          </Button>
          {taught?.length === 1 && (
            <Button onClick={() => setTeaching('second')} sx={{ minHeight: 56 }}>
              Teach a second button
            </Button>
          )}
          {taught && (
            <Button variant="text" onClick={() => keep(null)} sx={{ minHeight: 56 }}>
              Forget it
            </Button>
          )}
        </Box>
      )}
      {taught && <ClickerCard buttons={taught.length} />}
    </Section>
  );
}

function Heard({ taught }: { taught: Taught }) {
  const said = ({ key, holds }: RemoteButton) =>
    `${keyName(key)}${holds ? '' : ' (press to begin, press to end: it does not say when it is let go)'}`;
  return (
    <Typography sx={{ mb: 1.5, maxWidth: 760 }}>
      {taught.length === 1 ? (
        <>
          <strong>One button:</strong> {said(taught[0])}. Left and right take turns, the side asked
          less comes next.
        </>
      ) : (
        <>
          <strong>Left:</strong> {said(taught[0])}. <strong>Right:</strong> {said(taught[1])}.
        </>
      )}
    </Typography>
  );
}
