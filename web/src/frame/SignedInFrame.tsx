import { useQuery } from '@tanstack/react-query';
import { Outlet } from 'react-router';
import { QueueProvider } from '../queue/QueueProvider';
import { useLive } from '../live/useLive';
import { whoQuery } from '../session/queries';
import { SignInPage } from '../session/SignInPage';
import { WhoContext } from '../session/who';
import { Asked } from './Asked';

/** Everything behind the sign-in. */
export function SignedInFrame() {
  const who = useQuery(whoQuery);
  return (
    <Asked query={who}>
      {(person) =>
        person ? (
          <WhoContext.Provider value={person}>
            <QueueProvider>
              <Live />
              <Outlet />
            </QueueProvider>
          </WhoContext.Provider>
        ) : (
          <SignInPage />
        )
      }
    </Asked>
  );
}

function Live() {
  useLive();
  return null;
}
