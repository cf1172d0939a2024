import { useTheme } from '@mui/material/styles';
import type { Output } from '../base/core/core';
import type { Ridden } from './barrelDraft';
import { BarrelsDrawn } from './BarrelsDrawn';
import { Label, LayDrawn } from './LayDrawn';
import { drawn, windowOf, type Feet } from './plan';
import type { Lay } from '../data/ground';
import { SizeContext } from './size';
import { tapeInWords } from '../base/words/ground';

interface Props {
  lay: Lay | null;
  ridden: Ridden;
  sheet: Output<'setting-out'>;
}

/** Pixels the drawing is reckoned with: words keep their size on paper. */
const wide = 460;

/** The course to scale, with the tapes from the marks as they lie. */
export function SheetDrawn({ lay, ridden, sheet }: Props) {
  const { leather } = useTheme().palette;
  const marks = sheet.points.flatMap(({ by_arcs }) => by_arcs?.from.map(({ at }) => at) ?? []);
  const view = windowOf([...(lay?.outline ?? []), ...ridden.points, ...marks], 16);
  const feetPerPixel = view.width / wide;
  const feet = (pixels: number) => pixels * feetPerPixel;
  const names = new Map<string, Feet>();
  for (const { by_arcs } of sheet.points)
    for (const { mark, at } of by_arcs?.from ?? []) names.set(mark, at);
  return (
    <SizeContext value={feetPerPixel}>
      <svg
        viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
        style={{ width: '100%', maxHeight: '86vh', display: 'block' }}
        role="img"
        aria-label="The course to scale with the tapes that find each barrel"
      >
        {lay && <LayDrawn named lay={lay} />}
        <BarrelsDrawn ridden={ridden} />
        {sheet.points.map(({ name, at, by_arcs }) =>
          by_arcs?.from.map((arc, index) => {
            const [a, b] = [drawn(arc.at), drawn(at)];
            return (
              <g key={`${name} ${index}`}>
                <line
                  x1={a.x}
                  y1={a.y}
                  x2={b.x}
                  y2={b.y}
                  stroke={leather.water}
                  strokeWidth={feet(1.2)}
                  strokeDasharray={`${feet(3)} ${feet(3)}`}
                />
                <Label
                  at={[
                    arc.at[0]! + (at[0]! - arc.at[0]!) * 0.62,
                    arc.at[1]! + (at[1]! - arc.at[1]!) * 0.62,
                  ]}
                  text={tapeInWords(arc.feet)}
                />
              </g>
            );
          }),
        )}
        {[...names]
          .filter(([name]) => !(lay?.posts ?? []).some((post) => post.name === name))
          .map(([name, at]) => (
            <Label key={name} at={at} text={name} dy={18} faded />
          ))}
        <Scale view={view} />
      </svg>
    </SizeContext>
  );
}

/** Fifty feet, as long as fifty feet are. */
function Scale({ view }: { view: { x: number; y: number; width: number; height: number } }) {
  const { leather } = useTheme().palette;
  const [x, y] = [view.x + 6, view.y + view.height - 4];
  return (
    <g>
      <line x1={x} y1={y} x2={x + 50} y2={y} stroke={leather.ink} strokeWidth={0.8} />
      <Label at={[x + 25, -y]} text={tapeInWords(50)} dy={-5} />
    </g>
  );
}
