import Box from '@mui/material/Box';
import { startTransition, useEffect, useRef, useState, type ReactNode } from 'react';
import { inTurn } from './drawnLater';

/** How far off the screen a part is drawn already. */
const near = '600px';

interface Props {
  /** About how high it will be. */
  height: number;
  children: ReactNode;
}

/** Draws its children when they come near the screen or when nothing else is to be done. */
export function DrawnLater({ height, children }: Props) {
  const [drawn, setDrawn] = useState(false);
  const ref = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (drawn || !ref.current) return;
    const draw = () => startTransition(() => setDrawn(true));
    const stop = inTurn(draw);
    const seen = new IntersectionObserver(
      (entries) => {
        if (entries.some(({ isIntersecting }) => isIntersecting)) draw();
      },
      { rootMargin: near },
    );
    seen.observe(ref.current);
    return () => {
      stop();
      seen.disconnect();
    };
  }, [drawn]);
  if (drawn) return children;
  return <Box ref={ref} data-drawn-later="" sx={{ minHeight: height }} />;
}
