import { useEffect, useState } from 'react';
import { useHistory } from '../../ground/history';
import { useWho } from '../../data/who';
import { newTape, type TapeSheet } from './marks';
import { dayIn } from '../../base/words/days';

/**
 * A tape that is being marked: what is kept of it, or what was marked on this device since. The
 * draft is on the device with every step, so that a closed tab loses nothing.
 */
export function useTape(tapeId: string, kept: TapeSheet | undefined) {
  const { barn_id, person_id, time_zone } = useWho();
  const key = `cavesson.tape.${barn_id}.${person_id}.${tapeId}`;
  const [first] = useState<TapeSheet>(() => draftOf(key) ?? kept ?? newTape(dayIn(time_zone)));
  const history = useHistory(first);
  const sheet = history.now;
  const changed = JSON.stringify(sheet) !== JSON.stringify(kept);
  useEffect(() => {
    if (changed && sheet.films.length > 0) localStorage.setItem(key, JSON.stringify(sheet));
    else localStorage.removeItem(key);
  }, [key, sheet, changed]);
  return { ...history, sheet, changed };
}

function draftOf(key: string): TapeSheet | null {
  const kept = localStorage.getItem(key);
  return kept ? (JSON.parse(kept) as TapeSheet) : null;
}
