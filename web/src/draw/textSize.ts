/** A size given in pixels at the usual text size, so that texts in pictures follow it. */
export const textSize = (px: number) => `${px / 16}rem`;
