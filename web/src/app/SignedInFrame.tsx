import { useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect } from 'react';
import { Outlet, ScrollRestoration, useMatch } from 'react-router';
import { useLive } from './useLiveEvents';
import { HeldQuestion } from '../outbox/HeldQuestion';
import { QueueProvider } from '../outbox/QueueProvider';
import { KeptQueries } from '../shell/session/KeptQueries';
import { sessionQuery, toldByAnotherTab, type Session } from '../data/session';
import { onToldByOtherTabs } from '../data/tabs';
import { SessionContext } from '../data/who';
import { Updates } from '../shell/update/Updates';
import { useHours24 } from '../base/words/clockSetting';
import { speakIn } from '../base/words/unitSetting';
import { QueryState } from '../shell/QueryState';
import { Opening } from '../shell/Opening';
import { useFocusOnNewPage } from '../shell/useFocusOnNewPage';
import { Waiting } from '../shell/Waiting';

const SignInPage = lazy(async () => ({
  default: (await import('../shell/session/SignInPage')).SignInPage,
}));
const SignedOutPage = lazy(async () => ({
  default: (await import('../shell/session/SignedOutPage')).SignedOutPage,
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
      <QueryState query={session}>
        {(found) => (
          <Suspense fallback={<Waiting label="Opening" />}>
            {found ? <SignedIn key={found.who.person_id} session={found} /> : <SignInPage />}
          </Suspense>
        )}
      </QueryState>
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
