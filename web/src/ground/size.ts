import { createContext, use } from 'react';

/** Feet of the plan that a pixel of the screen shows. */
export const SizeContext = createContext(0.3);

/** How many feet so many pixels are on the plan that this is drawn in. */
export function useFeet() {
  const feetPerPixel = use(SizeContext);
  return (pixels: number) => pixels * feetPerPixel;
}
