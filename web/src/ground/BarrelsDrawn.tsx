import { useTheme } from '@mui/material/styles';
import { memo } from 'react';
import { sideWords } from '../base/words/answers';
import type { Ridden } from './barrelDraft';
import { Label } from './LayDrawn';
import { drawn, pathOf, type Feet } from './plan';
import { useFeet } from './size';

interface Props {
  ridden: Ridden;
  /** Drawn behind another one, to compare. */
  faded?: boolean;
  /** Spots, rate strides, sit points and leads beside the way. */
  detailed?: boolean;
}

/** A steel drum is about 23 in across. */
const drumFt = 23 / 12;

/** A barrel course on the ground: score line, barrels, the way round, and how it is ridden. */
export const BarrelsDrawn = memo(function BarrelsDrawn({ ridden, faded, detailed }: Props) {
  const { leather } = useTheme().palette;
  const feet = useFeet();
  const ink = faded ? leather.faded : leather.leather;
  const start = drawn(ridden.start);
  return (
    <g opacity={faded ? 0.7 : 1}>
      <path
        d={pathOf(ridden.points)}
        fill="none"
        stroke={ink}
        strokeWidth={feet(faded ? 2 : 3.5)}
        strokeDasharray={faded ? `${feet(7)} ${feet(5)}` : undefined}
        strokeLinejoin="round"
      />
      <ScoreLine ridden={ridden} />
      <circle cx={start.x} cy={start.y} r={feet(4)} fill={ink} />
      {ridden.barrels.map((barrel, index) => {
        const { x, y } = drawn(barrel.at);
        return (
          <g key={index}>
            <circle
              cx={x}
              cy={y}
              r={Math.max(drumFt / 2, feet(faded ? 3 : 5))}
              fill={faded ? 'none' : leather.ink}
              stroke={faded ? leather.faded : leather.ink}
              strokeWidth={feet(1.5)}
            />
            {!faded && <Label at={barrel.at} text={String(index + 1)} dy={-12} bold />}
          </g>
        );
      })}
      {detailed && !faded && <HowRidden ridden={ridden} />}
    </g>
  );
});

/** Between the timing eyes: square to the way up, as wide as a gate. */
function ScoreLine({ ridden }: { ridden: Ridden }) {
  const { leather } = useTheme().palette;
  const feet = useFeet();
  const [one, two] = [ridden.barrels[0], ridden.barrels[1]];
  if (!one || !two) return null;
  const [dx, dy] = [one.at[0]! - two.at[0]!, one.at[1]! - two.at[1]!];
  const size = Math.hypot(dx, dy) || 1;
  const end = (far: number) =>
    drawn([ridden.start[0]! + (dx / size) * far, ridden.start[1]! + (dy / size) * far]);
  const [a, b] = [end(-15), end(15)];
  return (
    <line
      x1={a.x}
      y1={a.y}
      x2={b.x}
      y2={b.y}
      stroke={leather.faded}
      strokeWidth={feet(2)}
      strokeDasharray={`${feet(2)} ${feet(3)}`}
    >
      <title>Score line</title>
    </line>
  );
}

/** Marks in the shape of what is done there: a bar to rate, a seat to sit, rings for the spots. */
function HowRidden({ ridden }: { ridden: Ridden }) {
  const { leather } = useTheme().palette;
  const feet = useFeet();
  // From far off the spots of a turn would be one blot.
  const near = feet(10) < 2.5;
  const dot = (at: Feet, key: string, title: string, filled = false) => {
    const { x, y } = drawn(at);
    return (
      <g key={key}>
        <title>{title}</title>
        <circle
          cx={x}
          cy={y}
          r={feet(3.5)}
          fill={filled ? leather.water : leather.paper}
          stroke={leather.water}
          strokeWidth={feet(2)}
        />
      </g>
    );
  };
  return (
    <>
      {ridden.barrels.map((barrel, index) => {
        const [rate, sit] = [drawn(barrel.rate_at), drawn(barrel.sit_at)];
        return (
          <g key={index}>
            {near && barrel.spots.map((spot, at) => dot(spot, `spot ${at}`, `Spot ${at + 1}`))}
            <g transform={`translate(${rate.x} ${rate.y})`}>
              <title>Begin to rate</title>
              <rect
                x={-feet(6)}
                y={-feet(6)}
                width={feet(12)}
                height={feet(12)}
                transform="rotate(45)"
                fill={leather.paper}
                stroke={leather.brick}
                strokeWidth={feet(2)}
              />
            </g>
            <Label at={barrel.rate_at} text="rate" dx={11} dy={16} anchor="start" faded />
            <path
              d={`M ${sit.x - feet(7)} ${sit.y - feet(4)} Q ${sit.x} ${sit.y + feet(8)} ${sit.x + feet(7)} ${sit.y - feet(4)}`}
              fill="none"
              stroke={leather.ink}
              strokeWidth={feet(3)}
            >
              <title>Sit</title>
            </path>
            {barrel.change_at && (
              <Label
                at={barrel.change_at}
                text={`change to the ${sideWords[barrel.lead].toLowerCase()} lead`}
                dy={-10}
                faded
              />
            )}
          </g>
        );
      })}
    </>
  );
}
