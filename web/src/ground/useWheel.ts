import { useEffect, useRef, type RefObject } from 'react';

/** A wheel over something that does not scroll the page: React's own listener may not say so. */
export function useWheel(of: RefObject<Element | null>, onWheel: (event: WheelEvent) => void) {
  const latest = useRef(onWheel);
  useEffect(() => {
    latest.current = onWheel;
  });
  useEffect(() => {
    const element = of.current;
    if (!element) return;
    const turn = (event: Event) => {
      event.preventDefault();
      latest.current(event as WheelEvent);
    };
    element.addEventListener('wheel', turn, { passive: false });
    return () => element.removeEventListener('wheel', turn);
  }, [of]);
}
