import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import { tapeInWords } from '../base/words/ground';
import type { Ridden } from './barrelDraft';
import { withPocket } from './barrelDraft';
import { Handle } from './Handle';
import { Label } from './LayDrawn';
import { drawn, pathOf, type Feet } from './plan';
import type { BarrelPlan } from '../data/ground';
import { SizeContext } from './size';

interface Props {
  plan: BarrelPlan;
  ridden: Ridden;
  barrel: number;
  onSlide: (plan: BarrelPlan) => void;
  onSettle: () => void;
}

/** Feet that are seen each way from the barrel. */
const around = 17;
const pixels = 300;
const feetPerPixel = (2 * around) / pixels;
/** A handle stands so far outside of its spot, so that the finger does not cover it. */
const outside = 4.2;
const names = ['going in', 'at the back', 'coming out'];

/** One barrel from near by: its drum, the track round it, the three spots to drag. */
export function CloseUp({ plan, ridden, barrel, onSlide, onSettle }: Props) {
  const { leather } = useTheme().palette;
  const of = ridden.barrels[barrel];
  if (!of) return null;
  const { x, y } = drawn(of.at);
  return (
    <SizeContext value={feetPerPixel}>
      <Box sx={{ maxWidth: 340 }}>
        <svg
          viewBox={`${x - around} ${y - around} ${2 * around} ${2 * around}`}
          style={{
            width: '100%',
            display: 'block',
            touchAction: 'none',
            background: leather.paper,
            border: `1px solid ${leather.line}`,
          }}
          role="group"
          aria-label={`Barrel ${barrel + 1} from near by. The three spots can be dragged.`}
        >
          {[5, 10, 15].map((r) => (
            <circle
              key={r}
              cx={x}
              cy={y}
              r={r}
              fill="none"
              stroke={leather.line}
              strokeWidth={0.12}
            />
          ))}
          <path d={pathOf(ridden.points)} fill="none" stroke={leather.leather} strokeWidth={0.5} />
          <circle cx={x} cy={y} r={23 / 24} fill={leather.ink} />
          {of.spots.map((spot, index) => {
            const at = drawn(spot);
            const far = Math.hypot(spot[0]! - of.at[0]!, spot[1]! - of.at[1]!) || 1;
            const out: Feet = [
              spot[0]! + ((spot[0]! - of.at[0]!) / far) * outside,
              spot[1]! + ((spot[1]! - of.at[1]!) / far) * outside,
            ];
            return (
              <g key={index}>
                <line x1={x} y1={y} x2={at.x} y2={at.y} stroke={leather.water} strokeWidth={0.2} />
                <circle
                  cx={at.x}
                  cy={at.y}
                  r={0.5}
                  fill={leather.paper}
                  stroke={leather.water}
                  strokeWidth={0.3}
                />
                <Label
                  at={out}
                  text={`${index + 1}: ${tapeInWords(plan.pockets[barrel]?.[index] ?? far)}`}
                  dy={-14}
                  bold
                />
                <Handle
                  at={out}
                  label={`Barrel ${barrel + 1}, pocket ${names[index]}`}
                  onMove={(to) =>
                    onSlide(withPocket(plan, barrel, index, of.at, inward(of.at, to)))
                  }
                  onDone={onSettle}
                />
              </g>
            );
          })}
        </svg>
      </Box>
    </SizeContext>
  );
}

/** The spot that belongs to a handle. */
function inward(barrel: Feet, handle: Feet): Feet {
  const [dx, dy] = [handle[0]! - barrel[0]!, handle[1]! - barrel[1]!];
  const far = Math.hypot(dx, dy) || 1;
  const size = Math.max(0.5, far - outside);
  return [barrel[0]! + (dx / far) * size, barrel[1]! + (dy / far) * size];
}
