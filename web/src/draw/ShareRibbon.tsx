import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import { useId } from 'react';
import type { Schemas } from '../base/api/client';
import { count } from '../base/words/plain';
import { useWidth } from './useWidth';

interface Props {
  segments: Schemas['ShareFrom'][];
  events: Schemas['TwoReinEvent'][];
  endMin: number;
  height?: number;
}

/**
 * A ride in the two-rein as a ribbon: what is braided is on the bosal, what is plain on the
 * bridle. A peg up: the horse asks for the bridle; a peg down: asks back.
 */
export function ShareRibbon({ segments, events, endMin, height = 64 }: Props) {
  const { leather } = useTheme().palette;
  const [ref, width] = useWidth<HTMLDivElement>();
  const braid = useId();
  const peg = 11;
  const end = Math.max(endMin, 1);
  const x = (minute: number) => (Math.min(minute, end) / end) * Math.max(width - 2, 0) + 1;
  const said = inWords({ segments, events, endMin });
  return (
    <Box ref={ref}>
      {width > 0 && (
        <svg
          width={width}
          height={height + 2 * peg}
          role="img"
          aria-label={said}
          style={{ display: 'block' }}
        >
          <title>{said}</title>
          <pattern id={braid} width={10} height={10} patternUnits="userSpaceOnUse">
            <rect width={10} height={10} fill={leather.leather} />
            <path
              d="M 0 5 L 5 0 L 10 5 M 0 10 L 5 5 L 10 10"
              stroke={leather.onLeather}
              strokeWidth={1.4}
              fill="none"
            />
          </pattern>
          {segments.map(({ start_min, bosal_pct }, index) => {
            const from = x(index === 0 ? 0 : start_min);
            const to = x(segments[index + 1]?.start_min ?? end);
            const bosal = (height * bosal_pct) / 100;
            return (
              <g key={`${start_min} ${index}`}>
                <rect
                  x={from}
                  y={peg}
                  width={Math.max(to - from, 1)}
                  height={bosal}
                  fill={`url(#${braid})`}
                />
                <rect
                  x={from}
                  y={peg + bosal}
                  width={Math.max(to - from, 1)}
                  height={height - bosal}
                  fill={leather.paper}
                  stroke={leather.line}
                  strokeWidth={0.5}
                />
              </g>
            );
          })}
          <rect
            x={1}
            y={peg}
            width={Math.max(width - 2, 0)}
            height={height}
            fill="none"
            stroke={leather.ink}
            strokeWidth={1.5}
          />
          {events.map(({ at_min, ask }, index) => {
            const at = x(at_min);
            const up = ask === 'for_bridle';
            return (
              <path
                key={`${at_min} ${index}`}
                d={
                  up
                    ? `M ${at} ${peg + 4} V 1 m -5 6 l 5 -6 l 5 6`
                    : `M ${at} ${peg + height - 4} V ${height + 2 * peg - 1} m -5 -6 l 5 6 l 5 -6`
                }
                fill="none"
                stroke={up ? leather.water : leather.brick}
                strokeWidth={2.5}
              />
            );
          })}
        </svg>
      )}
    </Box>
  );
}

function inWords({ segments, events, endMin }: Props): string {
  const shares = segments.map(
    ({ start_min, bosal_pct }) =>
      `bosal ${Math.round(bosal_pct)}% from minute ${Math.round(start_min)}`,
  );
  const asks = events.filter(({ ask }) => ask === 'for_bridle').length;
  const back = events.length - asks;
  return `${count(Math.round(endMin), 'minute')}: ${shares.join(', ')}; asked for the bridle ${count(asks, 'time')}, asked back ${count(back, 'time')}`;
}
