import Button from '@mui/material/Button';
import { lazy, Suspense, useState } from 'react';
import { useWho } from '../data/who';

const PersonMenuItems = lazy(async () => ({
  default: (await import('./PersonMenuItems')).PersonMenuItems,
}));
const SignOut = lazy(async () => ({ default: (await import('../outbox/SignOut')).SignOut }));

/** Who is signed in, how bright the screen is, how times are shown, signing out. */
export function PersonMenu() {
  const who = useWho();
  const [leaving, setLeaving] = useState(false);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const close = () => setAnchor(null);
  const leave = () => {
    close();
    setLeaving(true);
  };
  return (
    <>
      <Button
        variant="text"
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        {who.name.split(' ')[0]}
      </Button>
      {anchor && (
        <Suspense fallback={null}>
          <PersonMenuItems anchor={anchor} onClose={close} onLeave={leave} />
        </Suspense>
      )}
      {leaving && (
        <Suspense fallback={null}>
          <SignOut onClose={() => setLeaving(false)} />
        </Suspense>
      )}
    </>
  );
}
