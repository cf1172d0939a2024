/** Sizes that follow the text size of the page, in plain pixels. */
function plainSizes(svg: Element) {
  for (const part of svg.querySelectorAll('[font-size$="rem"]')) {
    const rem = Number.parseFloat(part.getAttribute('font-size') ?? '1');
    part.setAttribute('font-size', String(16 * rem));
  }
}

const namespace = 'http://www.w3.org/2000/svg';

/**
 * The drawings below an element as one SVG file, each where it stands on the page. What is only
 * there for the eye of the page (keys, marks beside words) is left out.
 */
export function svgFile(place: Element, title: string): Blob | null {
  const drawings = [
    ...place.querySelectorAll('svg[role="img"], svg[role="group"], svg[role="application"]'),
  ].filter((svg) => svg.getBoundingClientRect().width > 0 && !svg.closest('[aria-hidden="true"]'));
  const boxes = drawings.map((svg) => svg.getBoundingClientRect());
  if (boxes.length === 0) return null;
  const left = Math.min(...boxes.map((box) => box.left));
  const top = Math.min(...boxes.map((box) => box.top));
  const width = Math.max(...boxes.map((box) => box.right)) - left;
  const height = Math.max(...boxes.map((box) => box.bottom)) - top;
  const all = document.createElementNS(namespace, 'svg');
  all.setAttribute('viewBox', `0 0 ${width} ${height}`);
  all.setAttribute('width', String(width));
  all.setAttribute('height', String(height));
  const { color, fontFamily, fontSize } = getComputedStyle(place);
  all.setAttribute('color', color);
  all.setAttribute('font-family', fontFamily);
  all.setAttribute('font-size', fontSize);
  const name = document.createElementNS(namespace, 'title');
  name.textContent = title;
  const ground = document.createElementNS(namespace, 'rect');
  ground.setAttribute('width', '100%');
  ground.setAttribute('height', '100%');
  ground.setAttribute('fill', getComputedStyle(document.body).backgroundColor);
  all.append(name, ground);
  drawings.forEach((svg, index) => {
    const box = boxes[index]!;
    const copy = svg.cloneNode(true) as SVGElement;
    if (!copy.hasAttribute('viewBox'))
      copy.setAttribute('viewBox', `0 0 ${box.width} ${box.height}`);
    copy.setAttribute('x', String(box.left - left));
    copy.setAttribute('y', String(box.top - top));
    copy.setAttribute('width', String(box.width));
    copy.setAttribute('height', String(box.height));
    plainSizes(copy);
    all.append(copy);
  });
  return new Blob([new XMLSerializer().serializeToString(all)], { type: 'image/svg+xml' });
}
