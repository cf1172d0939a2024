import { useTheme } from '@mui/material/styles';
import type { Output } from '../base/core/core';
import { Handle } from './Handle';
import { Label } from './LayDrawn';
import { drawn, pathOf } from './plan';
import { useFeet } from './size';
import type { Placed } from './trailDraft';

type Said = Output<'trail-check'>;

interface Props {
  obstacles: Placed[];
  said: Said;
  picked: number;
  onPick: (index: number) => void;
  onSlide: (index: number, placed: Placed) => void;
  onSettle: () => void;
}

/** Obstacles as large as they are, the way from each to the next, strides between. */
export function TrailDrawn({ obstacles, said, picked, onPick, onSlide, onSettle }: Props) {
  const { leather } = useTheme().palette;
  const feet = useFeet();
  return (
    <g>
      {said.links.map((link) => {
        const line = link.legs.flatMap(({ points }) => points);
        const middle = line[Math.floor(line.length / 2)];
        return (
          <g key={link.from}>
            <path
              d={pathOf(line)}
              fill="none"
              stroke={leather.leather}
              strokeWidth={feet(2.5)}
              strokeDasharray={`${feet(9)} ${feet(5)}`}
            />
            {middle && (
              <Label
                at={middle}
                text={`${link.strides.toFixed(1)} strides`}
                dx={8}
                anchor="start"
                faded
              />
            )}
          </g>
        );
      })}
      {obstacles.map((placed, index) => {
        const grade = said.grades[index];
        if (!grade) return null;
        return (
          <g key={index}>
            <Shape
              placed={placed}
              long={grade.long_ft}
              wide={grade.wide_ft}
              wrong={said.rows.some((row) => row.obstacle === index && !row.ok)}
            />
            <Label at={placed.at} text={`${index + 1}`} dx={-26} bold />
            <Handle
              at={placed.at}
              label={`Obstacle ${index + 1}: ${grade.name}`}
              shape="ring"
              pressed={picked === index}
              onPress={() => onPick(index)}
              onMove={(at) => onSlide(index, { ...placed, at })}
              onDone={onSettle}
            />
          </g>
        );
      })}
    </g>
  );
}

interface ShapeProps {
  placed: Placed;
  long: number;
  wide: number;
  wrong: boolean;
}

/** Poles across, rails along, planks as boxes; what breaks a rule in brick with a heavy line. */
function Shape({ placed, long, wide, wrong }: ShapeProps) {
  const { leather } = useTheme().palette;
  const feet = useFeet();
  const { obstacle } = placed;
  const { x, y } = drawn(placed.at);
  const ink = wrong ? leather.brick : leather.ink;
  const line = Math.max(0.35, feet(wrong ? 4 : 2.5));
  const many = 'poles' in obstacle ? obstacle.poles : 0;
  const step = many > 1 ? long / (many - 1) : 0;
  return (
    <g transform={`translate(${x} ${y}) rotate(${-placed.heading_deg})`} stroke={ink} fill="none">
      {obstacle.kind === 'poles' &&
        Array.from({ length: many }, (_, n) => {
          const at = -long / 2 + n * step;
          return <line key={n} x1={at} x2={at} y1={-wide / 2} y2={wide / 2} strokeWidth={line} />;
        })}
      {obstacle.kind === 'serpentine' &&
        Array.from({ length: many }, (_, n) => (
          <circle key={n} cx={-long / 2 + n * step} r={Math.max(0.5, feet(3))} fill={ink} />
        ))}
      {(obstacle.kind === 'back_through' || obstacle.kind === 'gate') &&
        [-wide / 2, wide / 2].map((at) => (
          <line
            key={at}
            x1={-long / 2 - 0.5}
            x2={long / 2 + 0.5}
            y1={at}
            y2={at}
            strokeWidth={line * 1.4}
          />
        ))}
      {(obstacle.kind === 'bridge' || obstacle.kind === 'plank') && (
        <rect
          x={-long / 2}
          y={-wide / 2}
          width={long}
          height={wide}
          fill={leather.line}
          strokeWidth={line}
        />
      )}
      {obstacle.kind === 'water' && (
        <rect
          x={-long / 2}
          y={-wide / 2}
          width={long}
          height={wide}
          rx={2}
          stroke={wrong ? leather.brick : leather.water}
          strokeDasharray={`${feet(6)} ${feet(3)}`}
          strokeWidth={line}
        />
      )}
      {obstacle.kind === 'step' && (
        <path
          d={`M -1.5 ${-wide / 2} V ${wide / 2} M 1.5 ${-wide / 2} V ${wide / 2}`}
          strokeWidth={line}
        />
      )}
      {obstacle.kind === 'sidepass' && (
        <line x1={-long / 2} x2={long / 2} strokeWidth={line * 1.4} />
      )}
    </g>
  );
}
