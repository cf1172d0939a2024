import { useLiveQuery } from 'dexie-react-hooks';
import { lazy, Suspense, useEffect } from 'react';
import { useMatch } from 'react-router';
import { useRegisterSW } from 'virtual:pwa-register/react';
import { openRides } from '../../outbox/keep';
import { useQueue } from '../../outbox/queue';

const NewerWaits = lazy(async () => ({ default: (await import('./NewerWaits')).NewerWaits }));

const looksEveryMs = 30 * 60_000;
const asksEveryMs = 2_000;

/** Takes up a newer application by itself, but never under an open ride. */
export function Updates() {
  const { db, state } = useQueue();
  const riding = useMatch('/horses/:horseId/ride/:skill/:rung') !== null;
  const open = useLiveQuery(() => openRides(db).then((rides) => rides.length), [db]);
  const {
    needRefresh: [waits],
    updateServiceWorker,
  } = useRegisterSW({
    onRegisteredSW(_, registration) {
      if (registration) setInterval(() => void registration.update(), looksEveryMs);
    },
  });
  const busy = riding || open === undefined || open > 0;
  useEffect(() => {
    if (!waits || busy) return;
    // Asked again until it is done: an older one that still answers something puts it off.
    const ask = () => void updateServiceWorker(true);
    ask();
    const again = setInterval(ask, asksEveryMs);
    return () => clearInterval(again);
  }, [waits, busy, updateServiceWorker]);
  // The server no longer reads what this application sends.
  useEffect(() => {
    if (state !== 'update') return;
    void navigator.serviceWorker?.getRegistration().then((found) => found?.update());
  }, [state]);
  if (!waits || !busy || riding) return null;
  return (
    <Suspense fallback={null}>
      <NewerWaits onNow={() => void updateServiceWorker(true)} />
    </Suspense>
  );
}
