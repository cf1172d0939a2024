import { useCallback, useMemo, useState } from 'react';
import { useWho } from '../../data/who';
import type { Face, Set, Setting, Asked } from './faces';

/**
 * What is set once in a face and holds until it is changed, from ride to ride: of this
 * person on this horse.
 */
export function useSettings(horseId: string, face: Face, asked: Asked | undefined) {
  const { barn_id, person_id } = useWho();
  const settings = useMemo(() => face.settings(asked), [face, asked]);
  const keyOf = useCallback(
    ({ id }: Setting) => {
      // The hand is the same whatever is asked.
      const what = id === 'hand' ? id : `${asked?.measure}.${id}`;
      return `cavesson.${what}.${barn_id}.${person_id}.${horseId}`;
    },
    [asked?.measure, barn_id, person_id, horseId],
  );
  const [changed, setChanged] = useState<Set>({});
  const set = useMemo(() => {
    const valueOf = (setting: Setting) => {
      const key = keyOf(setting);
      const kept = changed[key] ?? (setting.once ? null : localStorage.getItem(key));
      const known = setting.values.some(([value]) => value === kept);
      return kept !== null && known ? kept : setting.usual;
    };
    return Object.fromEntries(settings.map((setting) => [setting.id, valueOf(setting)]));
  }, [settings, keyOf, changed]);
  const put = (setting: Setting, value: string) => {
    const key = keyOf(setting);
    if (!setting.once) localStorage.setItem(key, value);
    setChanged((before) => ({ ...before, [key]: value }));
  };
  /** After an ask, what was set for it alone goes back. */
  const settle = () => {
    for (const setting of settings) if (setting.once) put(setting, setting.usual);
  };
  return { settings, set, put, settle };
}
