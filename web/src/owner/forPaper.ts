/**
 * A drawing of the page for paper: without what a PDF writer does not know. Sizes that follow
 * the text size of the page become plain ones; words stand without a halo, which would be drawn
 * over them.
 */
export function forPaper(markup: string): string {
  const [found] = /<svg[\s\S]*<\/svg>/.exec(markup) ?? [];
  if (!found) throw new Error('nothing is drawn');
  // React writes no namespace where a page needs none.
  const svg = new DOMParser().parseFromString(
    found.replace('<svg', '<svg xmlns="http://www.w3.org/2000/svg"'),
    'image/svg+xml',
  ).documentElement;
  if (!svg.hasAttribute('viewBox'))
    svg.setAttribute('viewBox', `0 0 ${svg.getAttribute('width')} ${svg.getAttribute('height')}`);
  for (const part of svg.querySelectorAll('[font-size$="rem"]')) {
    const rem = Number.parseFloat(part.getAttribute('font-size') ?? '1');
    part.setAttribute('font-size', String(16 * rem));
  }
  for (const word of svg.querySelectorAll('[paint-order]')) {
    word.removeAttribute('paint-order');
    word.removeAttribute('stroke');
  }
  return new XMLSerializer().serializeToString(svg);
}
