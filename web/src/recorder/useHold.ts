import { useCallback, useEffect, useRef, useState, type PointerEvent } from 'react';
import { press, release, slide, type Ended, type Hold, type Side, type Zone } from './hold';
import { answerKeys, sideKeys } from './keys';

function zoneAt(event: PointerEvent): Zone {
  const under = document.elementFromPoint(event.clientX, event.clientY);
  const zone = under?.closest<HTMLElement>('[data-zone]')?.dataset.zone;
  return (zone as Zone | undefined) ?? 'off';
}

/** A hold by thumb or by key. `onEnded` gets each ask; `onCutOff` one the device broke off. */
export function useHold(onEnded: (ended: Ended) => void, onCutOff: (ended: Ended) => void) {
  const [hold, setHold] = useState<Hold | null>(null);
  const current = useRef<Hold | null>(null);
  const pointer = useRef<number | null>(null);
  const take = useRef({ onEnded, onCutOff });
  useEffect(() => {
    take.current = { onEnded, onCutOff };
  });
  const set = useCallback((next: Hold | null) => {
    current.current = next;
    setHold(next);
  }, []);

  const end = useCallback(
    (at: number, how: 'onEnded' | 'onCutOff') => {
      if (!current.current) return;
      const ended = release(current.current, at);
      pointer.current = null;
      set(null);
      if (ended) take.current[how](ended);
    },
    [set],
  );

  const half = (side: Side) => ({
    onPointerDown(event: PointerEvent) {
      if (current.current || event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      pointer.current = event.pointerId;
      set(press(side, event.timeStamp));
    },
    onPointerMove(event: PointerEvent) {
      if (!current.current || pointer.current !== event.pointerId) return;
      set(slide(current.current, zoneAt(event), event.timeStamp));
    },
    onPointerUp(event: PointerEvent) {
      if (!current.current || pointer.current !== event.pointerId) return;
      current.current = slide(current.current, zoneAt(event), event.timeStamp);
      end(event.timeStamp, 'onEnded');
    },
    onPointerCancel(event: PointerEvent) {
      if (pointer.current === event.pointerId) end(event.timeStamp, 'onCutOff');
    },
    onContextMenu: (event: { preventDefault: () => void }) => event.preventDefault(),
  });

  useEffect(() => {
    const down = (event: KeyboardEvent) => {
      if (event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
      const holding = current.current;
      const side = sideKeys[event.key.toLowerCase()];
      const zone = answerKeys[event.key];
      if (!holding && side && !isTyping(event)) set(press(side, event.timeStamp));
      else if (holding && zone) {
        event.preventDefault();
        current.current = slide(holding, zone, event.timeStamp);
        end(event.timeStamp, 'onEnded');
      }
    };
    const up = (event: KeyboardEvent) => {
      if (pointer.current === null && sideKeys[event.key.toLowerCase()] === current.current?.side)
        end(event.timeStamp, 'onEnded');
    };
    const cutOff = () => end(performance.now(), 'onCutOff');
    window.addEventListener('keydown', down);
    window.addEventListener('keyup', up);
    window.addEventListener('blur', cutOff);
    return () => {
      window.removeEventListener('keydown', down);
      window.removeEventListener('keyup', up);
      window.removeEventListener('blur', cutOff);
    };
  }, [end, set]);

  return { hold, half };
}

function isTyping(event: KeyboardEvent): boolean {
  return event.target instanceof HTMLElement && event.target.closest('[role=dialog]') !== null;
}
