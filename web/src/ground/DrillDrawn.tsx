import { useTheme } from '@mui/material/styles';
import type { Output } from '../base/core/core';
import { Label } from './LayDrawn';
import { drawn, pathOf } from './plan';
import { useFeet } from './size';

type Leg = Output<'drill'>['legs'][number];

const lineOf: Record<Leg['leg'], string | undefined> = {
  straight: undefined,
  circle: undefined,
  hip_over: '10 4 2 4',
  counter_arc: '3 4',
  back: '2 3',
  stop: undefined,
  rollback: undefined,
  quarter: undefined,
};

const spotWords: Partial<Record<Leg['leg'], string>> = {
  stop: 'stop',
  rollback: 'roll back',
  quarter: 'quarter turn',
};

const wayWords: Partial<Record<Leg['leg'], string>> = {
  hip_over: 'hip over',
  counter_arc: 'counter-arc',
  back: 'back',
};

/** A drill on the ground: straights and circles whole, what is ridden otherwise in its own line. */
export function DrillDrawn({ said }: { said: Output<'drill'> }) {
  const { leather } = useTheme().palette;
  const feet = useFeet();
  return (
    <g>
      {said.legs.map((leg, index) => {
        const dash = lineOf[leg.leg];
        const named = wayWords[leg.leg];
        const middle = leg.points[Math.floor(leg.points.length / 2)]!;
        if (leg.points.length < 2) return <OnTheSpot key={index} leg={leg} />;
        return (
          <g key={index}>
            <path
              d={pathOf(leg.points)}
              fill="none"
              stroke={leg.leg === 'back' ? leather.brick : leather.leather}
              strokeWidth={feet(3.5)}
              strokeDasharray={dash
                ?.split(' ')
                .map((part) => feet(Number(part)))
                .join(' ')}
            />
            {named && <Label at={middle} text={named} dx={8} anchor="start" faded />}
          </g>
        );
      })}
      {said.barrels.map((at, index) => {
        const { x, y } = drawn(at);
        return <circle key={index} cx={x} cy={y} r={Math.max(1, feet(5))} fill={leather.ink} />;
      })}
    </g>
  );
}

function OnTheSpot({ leg }: { leg: Leg }) {
  const { leather } = useTheme().palette;
  const feet = useFeet();
  const { x, y } = drawn(leg.points[0]!);
  const words = spotWords[leg.leg];
  if (leg.leg !== 'stop')
    return words ? <Label at={leg.points[0]!} text={words} dx={10} dy={18} anchor="start" /> : null;
  return (
    <rect
      x={x - feet(5)}
      y={y - feet(5)}
      width={feet(10)}
      height={feet(10)}
      fill={leather.paper}
      stroke={leather.brick}
      strokeWidth={feet(2.5)}
    >
      <title>Stop</title>
    </rect>
  );
}
