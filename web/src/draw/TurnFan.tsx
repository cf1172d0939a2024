import { useTheme } from '@mui/material/styles';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useId } from 'react';
import type { Schemas } from '../base/api/client';
import { turnsInWords } from '../base/words/herd';

type Cell = Schemas['TurnCell'];

const width = 720;
const height = 380;
const middle = width / 2;
const ground = 330;
const hub = 62;
const ring = 78;
const tempos: Schemas['Tempo'][] = ['slow', 'medium', 'quick'];
const positions = ['short', 'even', 'long', 'past'];
const quarter = Math.PI / 2;
/** Between the halves a gap, so that left and right are two. */
const gap = 0.045;

const at = (radius: number, angle: number, sign: number) =>
  `${middle + sign * radius * Math.cos(angle)} ${ground - radius * Math.sin(angle)}`;

function wedge(inner: number, outer: number, from: number, to: number, sign: number): string {
  const sweep = sign > 0 ? [0, 1] : [1, 0];
  return [
    `M ${at(inner, from, sign)}`,
    `L ${at(outer, from, sign)}`,
    `A ${outer} ${outer} 0 0 ${sweep[0]} ${at(outer, to, sign)}`,
    `L ${at(inner, to, sign)}`,
    `A ${inner} ${inner} 0 0 ${sweep[1]} ${at(inner, from, sign)} Z`,
  ].join(' ');
}

/**
 * Turns to the left and to the right as two fans that open from the horse: the rings are the
 * tempo, slow inside; the leaves are where the horse stopped, short at the ground, past at the
 * top. A leaf is as full as its share of the turns; leaves of a wrong place are hatched.
 */
export function TurnFan({ summary }: { summary: Schemas['TurnsSummary'] }) {
  const hatch = useId();
  const theme = useTheme();
  const { leather } = theme.palette;
  // On a phone the picture is half as large: the words stay as large, and the table has the rest.
  const phone = useMediaQuery(theme.breakpoints.down('sm'));
  const text = phone ? 25 : 15;
  const cells = summary.cells;
  const cellOf = (side: string, tempo: string) =>
    cells.find((cell) => cell.side === side && cell.tempo === tempo);
  const apart = summary.comes_apart;
  const outer = hub + 3 * ring;
  const angle = (index: number) => gap + (index * (quarter - 2 * gap)) / positions.length;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      style={{ width: '100%', maxWidth: width, display: 'block' }}
      role="img"
      aria-label={`Turns by side, tempo and position. ${turnsInWords(summary)}`}
    >
      <defs>
        <pattern
          id={hatch}
          width="7"
          height="7"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="3.2" height="7" fill={leather.brick} />
        </pattern>
      </defs>
      {([-1, 1] as const).map((sign) => {
        const side = sign < 0 ? 'left' : 'right';
        return (
          <g key={side}>
            {tempos.map((tempo, index) => {
              const cell = cellOf(side, tempo);
              const [inner, out] = [hub + index * ring, hub + (index + 1) * ring - 5];
              const here = apart?.side === side && apart.tempo === tempo;
              return (
                <g key={tempo}>
                  {positions.map((position, leaf) => (
                    <Leaf
                      key={position}
                      path={wedge(inner, out, angle(leaf), angle(leaf + 1), sign)}
                      many={cell?.by_position[leaf] ?? 0}
                      of={cell?.turns ?? 0}
                      text={text + 2}
                      hatch={hatch}
                      wrong={leaf === 0 || leaf === 3}
                      textAt={at((inner + out) / 2, (angle(leaf) + angle(leaf + 1)) / 2, sign)}
                    />
                  ))}
                  {here && (
                    <path
                      d={wedge(inner - 2, out + 2, angle(0), angle(4), sign)}
                      fill="none"
                      stroke={leather.brick}
                      strokeWidth={5}
                    />
                  )}
                  <text
                    x={middle + sign * ((inner + out) / 2)}
                    y={ground + text + 3}
                    textAnchor="middle"
                    fontSize={text}
                    fill={leather.ink}
                  >
                    {tempo}
                  </text>
                  <text
                    display={phone ? 'none' : undefined}
                    x={middle + sign * ((inner + out) / 2)}
                    y={ground + 37}
                    textAnchor="middle"
                    fontSize={text}
                    fontWeight={700}
                    fill={leather.ink}
                  >
                    {cell ? goodOf(cell) : ''}
                  </text>
                </g>
              );
            })}
            {positions.map((position, leaf) => {
              const [x, y] = at(outer + 10, (angle(leaf) + angle(leaf + 1)) / 2, sign).split(' ');
              return (
                <text
                  key={position}
                  x={x}
                  y={y}
                  fontSize={text}
                  fill={leather.ink}
                  textAnchor={sign < 0 ? 'end' : 'start'}
                >
                  {position === 'long' ? '½ long' : position}
                </text>
              );
            })}
            <text
              x={sign < 0 ? 8 : width - 8}
              y={28}
              textAnchor={sign < 0 ? 'start' : 'end'}
              fontSize={text + 3}
              fontWeight={700}
              fill={leather.ink}
            >
              {sign < 0 ? 'To the left' : 'To the right'}
            </text>
          </g>
        );
      })}
      <text x={middle} y={ground + text + 3} textAnchor="middle" fontSize={text} fill={leather.ink}>
        cow
      </text>
      <text
        display={phone ? 'none' : undefined}
        x={middle}
        y={ground + 37}
        textAnchor="middle"
        fontSize={text}
        fill={leather.ink}
      >
        good
      </text>
    </svg>
  );
}

const goodOf = ({ good, turns }: Cell) => `${good} of ${turns}`;

interface LeafProps {
  path: string;
  many: number;
  of: number;
  wrong: boolean;
  hatch: string;
  text: number;
  textAt: string;
}

function Leaf({ path, many, of, wrong, hatch, text, textAt }: LeafProps) {
  const { leather } = useTheme().palette;
  const [x, y] = textAt.split(' ').map(Number) as [number, number];
  const share = of > 0 ? many / of : 0;
  return (
    <g>
      <path d={path} fill={leather.paper} stroke={leather.ink} strokeWidth={1.5} />
      {many > 0 && (
        <path
          d={path}
          fill={wrong ? `url(#${hatch})` : leather.leather}
          fillOpacity={0.2 + 0.8 * share}
        />
      )}
      {many > 0 && (
        <text
          x={x}
          y={y + 6}
          textAnchor="middle"
          fontSize={text}
          fontWeight={700}
          fill={leather.ink}
          stroke={leather.paper}
          strokeWidth={4}
          paintOrder="stroke"
        >
          {many}
        </text>
      )}
    </g>
  );
}
