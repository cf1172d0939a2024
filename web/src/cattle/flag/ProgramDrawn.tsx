import { useTheme } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import type { Output } from '../../base/core/core';
import { count } from '../../base/words/plain';

type Moves = Output<'flag-program'>['moves'];

const width = 760;
const height = 210;
const left = 44;
const top = 10;

/** A program as the flag's way along its line over time: left at the bottom, right at the top. */
export function ProgramDrawn({ moves, widthFt }: { moves: Moves; widthFt: number }) {
  const { palette } = useTheme();
  const last = moves.at(-1);
  if (!last) return <Typography>Too short for a turn.</Typography>;
  const lasts = last.begins_s + last.lasts_s;
  const x = (seconds: number) => left + (seconds / lasts) * (width - left - 10);
  const y = (feet: number) => top + (1 - feet / widthFt) * (height - top - 30);
  const turns = moves.filter(({ turn }) => turn);
  const to = (side: string) => turns.filter(({ turn }) => turn === side).length;
  const path = moves
    .map((move, index) => {
      const begin = `${index === 0 ? 'M' : 'L'} ${x(move.begins_s)} ${y(move.from_ft)}`;
      const middle = x(move.begins_s + move.lasts_s / 2);
      const end = x(move.begins_s + move.lasts_s);
      // It speeds up and slows down: no corners.
      return `${begin} C ${middle} ${y(move.from_ft)} ${middle} ${y(move.to_ft)} ${end} ${y(move.to_ft)}`;
    })
    .join(' ');
  return (
    <>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        style={{ width: '100%', maxWidth: width, display: 'block' }}
        role="img"
        aria-label={`The program: ${count(turns.length, 'turn')} in ${Math.round(lasts)} seconds`}
      >
        {['right', 'middle', 'left'].map((words, index) => (
          <g key={words}>
            <line
              x1={left}
              x2={width - 10}
              y1={y((widthFt * (2 - index)) / 2)}
              y2={y((widthFt * (2 - index)) / 2)}
              stroke={palette.divider}
            />
            <text
              x={left - 5}
              y={y((widthFt * (2 - index)) / 2) + 5}
              fontSize="13"
              textAnchor="end"
              fill={palette.text.primary}
            >
              {words}
            </text>
          </g>
        ))}
        <path d={path} fill="none" stroke={palette.text.primary} strokeWidth={3} />
        {turns.map((move) => (
          <path
            key={move.begins_s}
            d={`M ${x(move.begins_s)} ${y(move.from_ft)} m -7 0 l 7 ${
              move.turn === 'right' ? -9 : 9
            } l 7 ${move.turn === 'right' ? 9 : -9} z`}
            fill={palette.secondary.main}
            stroke={palette.text.primary}
          />
        ))}
        <text x={left} y={height - 6} fontSize="13" fill={palette.text.primary}>
          0 s
        </text>
        <text
          x={width - 10}
          y={height - 6}
          fontSize="13"
          textAnchor="end"
          fill={palette.text.primary}
        >
          {Math.round(lasts)} s
        </text>
      </svg>
      <Typography>
        {count(to('left'), 'turn')} to the left, {to('right')} to the right; the marks are the
        turns.
      </Typography>
    </>
  );
}
