import type { Schemas } from '../base/api/client';

/** Tack drawn from its measures, in inches: the mouthpiece at the origin, y down. */

export type Measures = Schemas['GearMeasures'];

/** What is drawn where something was not measured. */
export const usual = { mouth: 5, bar: 0.4375, ring: 3, port: 1, bosal: 0.625, strap: 0.625 };

/** Width of a port at its foot, as wide as it is mostly made. */
const portWidth = 1.4;

export const hasShanks = ({ cheek, purchase_in, shank_in }: Measures) =>
  cheek !== 'ring' && purchase_in != null && shank_in != null;

/** The middle line of the mouthpiece from cheek to cheek, seen from the front. */
export function mouthLine(measures: Measures): string {
  const half = (measures.mouth_in ?? usual.mouth) / 2;
  const bar = measures.bar_in ?? usual.bar;
  switch (measures.mouthpiece) {
    case 'ported': {
      const height = measures.port_in ?? usual.port;
      const foot = Math.min(portWidth / 2 + bar, half - 0.3);
      const top = Math.max(foot - 0.45, 0.2);
      const up = -Math.max(height - bar / 2, 0);
      return `M ${-half} 0 L ${-foot} 0 C ${-top} 0 ${-foot + 0.1} ${up} 0 ${up} C ${foot - 0.1} ${up} ${top} 0 ${foot} 0 L ${half} 0`;
    }
    case 'jointed':
      return `M ${-half} 0 Q ${-half / 2} 0.05 -0.12 0.42 M 0.12 0.42 Q ${half / 2} 0.05 ${half} 0`;
    default:
      return `M ${-half} 0 Q 0 -0.35 ${half} 0`;
  }
}

/** How far a piece reaches: left, top, width, height in inches. */
export function reach(kind: Schemas['GearKind'], measures: Measures) {
  const half = (measures.mouth_in ?? usual.mouth) / 2;
  if (kind === 'bosal' || kind === 'two_rein' || kind === 'halter')
    return { left: -4, top: -0.9, width: 8, height: 11.6 };
  if (hasShanks(measures)) {
    const top = -(measures.purchase_in ?? 0) - 0.8;
    const bottom = (measures.shank_in ?? 0) + 1;
    const port = -(measures.mouthpiece === 'ported' ? (measures.port_in ?? usual.port) : 0.4) - 0.3;
    const up = Math.min(top, port);
    return { left: -half - 1, top: up, width: 2 * half + 2, height: bottom - up };
  }
  const ring = measures.ring_in ?? usual.ring;
  const top = -Math.max(ring / 2, measures.mouthpiece === 'ported' ? (measures.port_in ?? 0) : 0);
  return {
    left: -half - ring - 0.2,
    top: top - 0.3,
    width: 2 * (half + ring) + 0.4,
    height: ring / 2 - top + 0.6,
  };
}

/** What a drawing shows, for those who do not see it. */
export function tackInWords(
  name: string,
  kind: string,
  parts: (string | number | null | undefined | false)[],
): string {
  const said = parts.filter(Boolean).join(', ');
  return `${name}: ${kind}${said ? `, ${said}` : ''}`;
}
