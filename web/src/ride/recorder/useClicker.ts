import { useEffect, useRef, useState } from 'react';
import type { Recorder } from './useRecorder';
import type { Side } from './faces';
import { meaningsOf, undo, type Meanings } from './clicker/meanings';
import { atRest, down, up, waited, type Button, type Said, type State } from './clicker/presses';
import { taughtClicker } from './clicker/taught';
import { onScreen, tellLost, type } from './clicker/type';

const lookEveryMs = 50;

/** The side to ask next with one button: the one asked less, of equals the left. */
export function nextSide({ sides, reps }: Pick<Recorder, 'sides' | 'reps'>): Side {
  const asked = (side: Side) => reps.filter((rep) => rep.side === side).length;
  const [first = 'both', second] = sides;
  return second && asked(second) < asked(first) ? second : first;
}

/** What a button's presses do. */
function act(said: Said, meanings: Meanings) {
  const key = meanings.hold?.keys[0];
  const say = ({ keys }: { keys: string[] }, at: number) => type('keydown', onScreen(keys), at);
  switch (said.what) {
    case 'down':
      if (key) type('keydown', key, said.at);
      return;
    case 'held':
      if (key) type('keyup', key, said.at);
      // A face that holds nothing takes a long press as a short one.
      else say(meanings.short, said.at);
      return;
    case 'lost':
      if (key) tellLost(said.at);
      return;
    case 'presses':
      if (said.count === 1) say(meanings.short, said.at);
      else if (said.count === 2) say(meanings.double, said.at);
      else {
        // What the first press began is no ask.
        if (key) type('keydown', 'Escape', said.at);
        say(undo, said.at);
      }
  }
}

/** Records by a taught remote while the recorder is open. */
export function useClicker(recorder: Recorder): void {
  const [taught] = useState(taughtClicker);
  const now = useRef(recorder);
  useEffect(() => {
    now.current = recorder;
  });
  useEffect(() => {
    if (!taught) return;
    const states: State[] = taught.map(() => atRest);
    // A press belongs to the side it began on, whatever is asked next meanwhile.
    const sides: Side[] = taught.map(() => 'both');
    const take = (index: number, [state, said]: [State, Said[]]) => {
      states[index] = state;
      for (const one of said) {
        if (one.what === 'down') sides[index] = sideOf(index, taught.length, now.current);
        const side = sides[index] ?? 'both';
        const { face, set, asked } = now.current;
        act(one, meaningsOf({ face, set, measure: asked?.measure }, side));
      }
    };
    const buttonOf = ({ key, isTrusted }: KeyboardEvent) =>
      isTrusted ? taught.findIndex((button) => button.key === key) : -1;
    const pressed = (event: KeyboardEvent) => {
      const index = buttonOf(event);
      const button = taught[index];
      const state = states[index];
      if (!button || !state || isMeantElsewhere(event)) return;
      // The remote's key turns no page and presses no button.
      event.preventDefault();
      event.stopImmediatePropagation();
      const next =
        event.type === 'keydown'
          ? down(state, button, event.timeStamp, event.repeat)
          : up(state, button, event.timeStamp);
      take(index, next);
    };
    const look = setInterval(() => {
      for (const [index, button] of (taught as Button[]).entries()) {
        const state = states[index];
        if (state) take(index, waited(state, button, performance.now()));
      }
    }, lookEveryMs);
    window.addEventListener('keydown', pressed, true);
    window.addEventListener('keyup', pressed, true);
    return () => {
      clearInterval(look);
      window.removeEventListener('keydown', pressed, true);
      window.removeEventListener('keyup', pressed, true);
    };
  }, [taught]);
}

/** The first of two buttons is the left, the other the right; one alone takes turns. */
function sideOf(index: number, buttons: number, recorder: Recorder): Side {
  if (recorder.sides.length === 1) return recorder.sides[0] ?? 'both';
  if (buttons === 1) return nextSide(recorder);
  return index === 0 ? 'left' : 'right';
}

/** A dialog is open, or something is typed. */
function isMeantElsewhere({ target }: KeyboardEvent): boolean {
  const typing = target instanceof HTMLElement && target.closest('input, textarea, select');
  return Boolean(typing) || document.querySelector('[role=dialog], [role=alertdialog]') !== null;
}
