import { createContext, useContext } from 'react';
import type { Session, Who } from './session';

export const SessionContext = createContext<Session | null>(null);

function useSession(): Session {
  const session = useContext(SessionContext);
  if (!session) throw new Error('nobody is signed in here');
  return session;
}

/** The signed-in person; only below the signed-in frame. */
export const useWho = (): Who => useSession().who;

/** Whether the server still takes this person for signed in. */
export const useSessionEnded = (): boolean => useSession().ended;
