import { useEffect, useRef } from 'react';
import type { Recorder } from './useRecorder';
import { count } from '../../base/words/plain';
import { nextSide } from './useClicker';
import { taughtClicker } from './clicker/taught';
import { say } from './clicker/voice';

/** Left, soft, 3 of 4. */
export function spoken(recorder: Pick<Recorder, 'last' | 'reps' | 'sides'>): string {
  const { last, reps, sides } = recorder;
  if (last?.soft === undefined) return '';
  const own = reps.filter(({ side }) => side === last.side);
  const soft = own.filter((rep) => rep.soft).length;
  const parts = [
    last.side === 'both' ? '' : last.side,
    last.measure.kind === 'count'
      ? count(last.measure.count, 'time')
      : last.soft
        ? 'soft'
        : 'not soft',
    last.measure.kind === 'count' ? '' : `${soft} of ${own.length}`,
    sides.length > 1 && taughtClicker()?.length === 1 ? `next ${nextSide(recorder)}` : '',
  ];
  return parts.filter(Boolean).join(', ');
}

/** Says each ask when it has been judged, and a good place to quit. */
export function useVoice(recorder: Recorder): void {
  const { last, quit, takenBack } = recorder;
  const said = useRef<string | undefined>(undefined);
  const begun = useRef(false);
  useEffect(() => {
    const id = last && last.soft !== undefined ? last.repId : undefined;
    // What was asked before the page opened is not said again.
    if (!begun.current) {
      begun.current = true;
      said.current = id;
      return;
    }
    if (!id || said.current === id) return;
    said.current = id;
    say(takenBack ? 'taken back' : `${spoken(recorder)}${quit ? '. Good place to quit' : ''}`);
    // The ask is what is said; the rest is as it stands then.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [last?.repId, last?.soft, quit]);
}
