import { useNavigation } from 'react-router';
import { WaitingBar } from './Waiting';

/** A page that takes its time is on its way. */
export function Opening() {
  const { state } = useNavigation();
  return state === 'idle' ? null : <WaitingBar label="Opening the page" />;
}
