import { useEffect, useState, type ReactNode, type RefObject } from 'react';
import { SizeContext } from './size';
import type { Window } from './plan';

interface Props {
  svg: RefObject<SVGSVGElement | null>;
  view: Window;
  children: ReactNode;
}

/** Tells what is drawn how many feet a pixel is, so that handles and words keep their size. */
export function Sized({ svg, view, children }: Props) {
  const [box, setBox] = useState({ width: 600, height: 520 });
  useEffect(() => {
    const element = svg.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => {
      const { width = 0, height = 0 } = entry?.contentRect ?? {};
      // Before it is laid out it has no size.
      if (width > 0 && height > 0) setBox({ width, height });
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [svg]);
  const feetPerPixel = Math.max(view.width / box.width, view.height / box.height);
  return <SizeContext value={feetPerPixel}>{children}</SizeContext>;
}
