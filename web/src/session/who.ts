import { createContext, useContext } from 'react';
import type { Who } from './queries';

export const WhoContext = createContext<Who | null>(null);

/** The signed-in person; only below the signed-in frame. */
export function useWho(): Who {
  const who = useContext(WhoContext);
  if (!who) throw new Error('nobody is signed in here');
  return who;
}
