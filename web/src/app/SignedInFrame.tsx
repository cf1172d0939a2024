import { useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect } from 'react';
import { Outlet, ScrollRestoration, useMatch } from 'react-router';
import { useLive } from './useLiveEvents';
import { HeldQuestion } from '../queue/HeldQuestion';
import { QueueProvider } from '../queue/QueueProvider';
import { KeptQueries } from '../session/KeptQueries';
import { sessionQuery, toldByAnotherTab, type Session } from '../data/session';
import { onToldByOtherTabs } from '../data/tabs';
import { SessionContext } from '../data/who';
import { Updates } from '../update/Updates';
import { useHours24 } from '../words/clockSetting';
import { speakIn } from '../words/unitSetting';
import { Asked } from '../frame/Asked';
import { Opening } from '../frame/Opening';
import { useFocusOnNewPage } from '../frame/useFocusOnNewPage';
import { Waiting } from '../frame/Waiting';

const SignInPage = lazy(async () => ({
  default: (await import('../session/SignInPage')).SignInPage,
}));
const SignedOutPage = lazy(async () => ({
  default: (await import('../session/SignedOutPage')).SignedOutPage,
}));

/** Everything behind the sign-in. */
export function SignedInFrame() {
  const session = useQuery(sessionQuery);
  const queries = useQueryClient();
  useEffect(
    () => onToldByOtherTabs(({ personId }) => toldByAnotherTab(queries, personId)),
    [queries],
  );
  useFocusOnNewPage();
  return (
    <>
      <Opening />
      <ScrollRestoration />
      <Asked query={session}>
        {(found) => (
          <Suspense fallback={<Waiting label="Opening" />}>
            {found ? <SignedIn key={found.who.person_id} session={found} /> : <SignInPage />}
          </Suspense>
        )}
      </Asked>
    </>
  );
}

/** In the middle of a ride nothing takes the recorder away, not even the end of a session. */
function SignedIn({ session }: { session: Session }) {
  // Times are spelled where they are drawn, so a page is drawn anew with the setting.
  const hours24 = useHours24();
  speakIn(session.who.units);
  const rides = useMatch('/horses/:horseId/ride/:skill/:rung');
  return (
    <SessionContext.Provider value={session}>
      <QueueProvider>
        {session.ended && !rides ? (
          <SignedOutPage />
        ) : (
          <KeptQueries>
            {!session.ended && <Live />}
            <Updates />
            <Outlet key={`${hours24 ? 24 : 12} ${session.who.units}`} />
            <HeldQuestion />
          </KeptQueries>
        )}
      </QueueProvider>
    </SessionContext.Provider>
  );
}

function Live() {
  useLive();
  return null;
}
