import { useCallback, useEffect, useRef, useState, type PointerEvent } from 'react';
import { v7 as uuidv7 } from 'uuid';
import {
  elapsedS,
  press,
  release,
  slide,
  type Ended,
  type Hold,
  type Side,
  type Zone,
} from './hold';
import type { HoldZone } from './faces';
import { sideOfKey, zoneOfKey } from './keys';
import { keysAreOff } from './keysOn';
import { lostKeyUp } from './clicker/type';
import { useFaceClock } from '../../shell/faceClock';

/** How often a hold under way is noted: what a dead battery may cost of its time. */
const noteEveryMs = 500;

function zoneAt(event: PointerEvent): Zone {
  const under = document.elementFromPoint(event.clientX, event.clientY);
  const zone = under?.closest<HTMLElement>('[data-zone]')?.dataset.zone;
  return zone ?? 'off';
}

export interface Holding {
  /** A rein was taken. */
  onPressed: (hold: Hold) => void;
  /** The hold goes on: how long it has lasted. */
  onHeld: (hold: Hold, heldS: number) => void;
  /** The ask that a release made. */
  onEnded: (ended: Ended) => void;
  /** The release was no ask. */
  onNoAsk: (hold: Hold) => void;
  /** The device broke it off. */
  onCutOff: (ended: Ended) => void;
}

export type HalfPointing = ReturnType<ReturnType<typeof useHold>['half']>;

/** A hold by thumb or by key, of one of the sides that are asked. */
export function useHold(holding: Holding, zones: HoldZone[], sides: Side[], ready: boolean) {
  const clock = useFaceClock();
  const [hold, setHold] = useState<Hold | null>(null);
  const current = useRef<Hold | null>(null);
  const pointer = useRef<number | null>(null);
  const take = useRef(holding);
  useEffect(() => {
    take.current = holding;
  });
  const set = useCallback((next: Hold | null) => {
    current.current = next;
    setHold(next);
  }, []);

  const begin = useCallback(
    (side: Side, at: number) => {
      const pressed = press(uuidv7(), side, at);
      set(pressed);
      take.current.onPressed(pressed);
    },
    [set],
  );

  const end = useCallback(
    (at: number, how: 'onEnded' | 'onCutOff') => {
      const held = current.current;
      if (!held) return;
      pointer.current = null;
      set(null);
      const ended = release(held, at);
      if (ended) take.current[how](ended);
      else take.current.onNoAsk(held);
    },
    [set],
  );

  const half = (side: Side) => ({
    onPointerDown(event: PointerEvent) {
      if (!ready || current.current || event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      pointer.current = event.pointerId;
      begin(side, clock.at(event.timeStamp));
    },
    onPointerMove(event: PointerEvent) {
      if (!current.current || pointer.current !== event.pointerId) return;
      set(slide(current.current, zoneAt(event), clock.at(event.timeStamp)));
    },
    onPointerUp(event: PointerEvent) {
      if (!current.current || pointer.current !== event.pointerId) return;
      current.current = slide(current.current, zoneAt(event), clock.at(event.timeStamp));
      end(clock.at(event.timeStamp), 'onEnded');
    },
    onPointerCancel(event: PointerEvent) {
      if (pointer.current === event.pointerId) end(clock.at(event.timeStamp), 'onCutOff');
    },
    onContextMenu: (event: { preventDefault: () => void }) => event.preventDefault(),
  });

  useEffect(() => {
    const down = (event: KeyboardEvent) => {
      if (event.repeat) return;
      const held = current.current;
      const zone = zoneOfKey(event, zones);
      if (held && zone) {
        event.preventDefault();
        current.current = slide(held, zone, clock.at(event.timeStamp));
        end(clock.at(event.timeStamp), 'onEnded');
      }
      if (held || !ready || keysAreOff(event)) return;
      const side = sideOfKey(event, sides);
      if (side) begin(side, clock.at(event.timeStamp));
    };
    const up = (event: KeyboardEvent) => {
      if (pointer.current === null && sideOfKey(event, sides) === current.current?.side)
        end(clock.at(event.timeStamp), 'onEnded');
    };
    const cutOff = () => end(clock.now(), 'onCutOff');
    // A remote fell silent: the hold lasted as long as it was heard of.
    const lost = (event: Event) => end(clock.at((event as CustomEvent<number>).detail), 'onCutOff');
    window.addEventListener('keydown', down);
    window.addEventListener('keyup', up);
    window.addEventListener('blur', cutOff);
    window.addEventListener('pagehide', cutOff);
    window.addEventListener(lostKeyUp, lost);
    return () => {
      window.removeEventListener('keydown', down);
      window.removeEventListener('keyup', up);
      window.removeEventListener('blur', cutOff);
      window.removeEventListener('pagehide', cutOff);
      window.removeEventListener(lostKeyUp, lost);
    };
  }, [begin, clock, end, ready, sides, zones]);

  useEffect(() => {
    if (!hold) return;
    const note = () =>
      take.current.onHeld(hold, Math.round(elapsedS(hold, clock.now()) * 100) / 100);
    const every = setInterval(note, noteEveryMs);
    return () => clearInterval(every);
  }, [clock, hold]);

  // Left by a gesture or the back button in the middle of a hold.
  useEffect(() => () => end(clock.now(), 'onCutOff'), [clock, end]);

  return { hold, half };
}
