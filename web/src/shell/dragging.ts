import { PointerSensor, TouchSensor, useSensor, useSensors } from '@dnd-kit/core';
import type { KeyboardEvent } from 'react';

/** A short press is a tap; a touch has to rest, so that the page still scrolls. */
export const useDragSensors = () =>
  useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 8 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
  );

interface Does<T> {
  /** As it is picked up. */
  begin: () => T;
  /** Where an arrow takes it; nothing for other keys. */
  next: (code: string, held: T) => T | undefined;
  hold: (held: T | undefined) => void;
  set: (held: T) => void;
}

/** Dragging with keys: space picks up and sets down, arrows move, escape leaves it. */
export function dragByKeys<T>(event: KeyboardEvent, held: T | undefined, does: Does<T>) {
  const { code } = event;
  if (held === undefined) {
    if (code !== 'Space') return;
    event.preventDefault();
    does.hold(does.begin());
    return;
  }
  const next = does.next(code, held);
  if (!next && !['Space', 'Enter', 'Escape'].includes(code)) return;
  event.preventDefault();
  if (next) {
    does.hold(next);
    return;
  }
  does.hold(undefined);
  if (code !== 'Escape') does.set(held);
}
