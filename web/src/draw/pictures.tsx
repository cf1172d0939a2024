import { useTheme } from '@mui/material/styles';
import type { Schemas } from '../base/api/client';
import { Rows, type Of, type PictureProps } from './pictureRows';
import { repInWords } from './rein';

/** The asks of a ride drawn each in its measure's own way: one row an ask, in the order of asking. */

const mostStrides = 8;
const mostBridleS = 6;

/** A stop: a tick for each stride until the feet quit, then how long it stayed on the bridle. */
export function StopPicture(props: PictureProps) {
  const { leather } = useTheme().palette;
  const { width } = props;
  const left = 28;
  const stride = (width * 0.42 - left) / mostStrides;
  const bridleX = width * 0.46;
  const second = (width - bridleX - 20) / mostBridleS;
  return (
    <Rows
      {...props}
      name="Stops"
      rowHeight={30}
      headHeight={22}
      head={
        <g fontSize="0.8rem" fill={leather.ink}>
          <text x={left} y={14}>
            strides to quit
          </text>
          <text x={bridleX} y={14}>
            seconds on the bridle
          </text>
        </g>
      }
      row={(rep) => {
        const stop = rep.measure as Of<'stop'>;
        const off = stop.off_bridle_s;
        const end = bridleX + Math.min(mostBridleS, off ?? mostBridleS) * second;
        return (
          <g stroke={leather.ink} strokeWidth={2.5} strokeLinecap="round">
            {Array.from({ length: Math.min(mostStrides, Math.round(stop.strides)) }, (_, at) => (
              <line
                key={at}
                x1={left + at * stride + 4}
                x2={left + at * stride + 4}
                y1={8}
                y2={22}
              />
            ))}
            <line x1={bridleX} x2={end} y1={15} y2={15} />
            {off == null ? (
              <path d={`M${end - 6} 8l8 7l-8 7`} fill="none" />
            ) : (
              <circle cx={end} cy={15} r={5.5} fill={rep.soft ? leather.leather : leather.paper} />
            )}
            {stop.head !== 'quiet' && (
              <path d={`M${end} 5v-4`} stroke={leather.brick} strokeWidth={3} />
            )}
          </g>
        );
      }}
    />
  );
}

/** A circle: a ring, with a spike for each time the nose came up; open where it broke. */
export function CirclePicture(props: PictureProps) {
  const { leather } = useTheme().palette;
  const size = 44;
  const most = Math.max(1, Math.floor((props.width - 34) / size));
  return (
    <Rows
      {...props}
      name="Circles"
      rowHeight={size + 4}
      row={(rep) => {
        const circle = rep.measure as Of<'circle'>;
        const rings = Math.min(most, circle.circles);
        return Array.from({ length: rings }, (_, at) => {
          const isSoft = at < circle.soft_circles;
          // Nose-ups are of the circles that were not soft, shared among them.
          const rough = Math.max(1, circle.circles - circle.soft_circles);
          const spikes = isSoft ? 0 : Math.ceil(circle.nose_ups / rough);
          return (
            <g
              key={at}
              transform={`translate(${34 + at * size + size / 2 - 8} ${size / 2 + 2})`}
              stroke={leather.ink}
              strokeWidth={2.25}
            >
              <circle
                r={13}
                fill={isSoft && rep.soft ? leather.leather : leather.paper}
                strokeDasharray={circle.broke_gait ? '60 22' : undefined}
              />
              {Array.from({ length: Math.min(12, spikes) }, (__, spike) => {
                const angle = (2 * Math.PI * spike) / Math.min(12, spikes) - Math.PI / 2;
                const at = (r: number) => [r * Math.cos(angle), r * Math.sin(angle)] as const;
                const [[x1, y1], [x2, y2]] = [at(13), at(20)];
                return <line key={spike} x1={x1} y1={y1} x2={x2} y2={y2} stroke={leather.brick} />;
              })}
            </g>
          );
        });
      }}
    />
  );
}

const positions: Schemas['Position'][] = ['short', 'even', 'long', 'past'];
const tempos: Schemas['Tempo'][] = ['slow', 'medium', 'quick'];

/** A turn: where the horse stopped against the cow or flag, and how fast that went. */
export function TurnPicture({ reps, width, picked, onPick }: PictureProps) {
  const { leather } = useTheme().palette;
  const [left, top] = [64, 26];
  const column = (width - left - 8) / positions.length;
  const row = 54;
  const soft = reps.filter((rep) => rep.soft).length;
  return (
    <svg
      width={width}
      height={top + row * tempos.length + 6}
      role="img"
      aria-label={`Turns: ${soft} of ${reps.length} soft`}
    >
      <g fontSize="0.8rem" fill={leather.ink}>
        {positions.map((position, at) => (
          <text key={position} x={left + (at + 0.5) * column} y={16} textAnchor="middle">
            {position}
          </text>
        ))}
        {tempos.map((tempo, at) => (
          <text key={tempo} x={4} y={top + (at + 0.5) * row + 5}>
            {tempo}
          </text>
        ))}
      </g>
      {tempos.map((tempo, at) => (
        <line
          key={tempo}
          x1={left}
          x2={width}
          y1={top + at * row}
          y2={top + at * row}
          stroke={leather.line}
        />
      ))}
      {reps.map((rep, index) => {
        const turn = rep.measure as Of<'turn'>;
        const same = reps.slice(0, index).filter(({ measure }) => {
          const other = measure as Of<'turn'>;
          return other.position === turn.position && other.tempo === turn.tempo;
        }).length;
        // Side by side, four to a line.
        const x =
          left + (positions.indexOf(turn.position) + 0.5) * column + ((same % 4) - 1.5) * 17;
        const y = top + (tempos.indexOf(turn.tempo) + 0.5) * row + (Math.floor(same / 4) - 1) * 16;
        const way = rep.side === 'left' ? -1 : 1;
        return (
          <g
            key={rep.repId}
            transform={`translate(${x} ${y})`}
            stroke={leather.ink}
            strokeWidth={2.25}
            onClick={onPick ? () => onPick(rep.repId) : undefined}
            style={onPick && { cursor: 'pointer' }}
          >
            <title>{repInWords(rep)}</title>
            <path
              d={`M${-way * 5} -6l${way * 10} 6l${-way * 10} 6z`}
              fill={rep.soft ? leather.leather : leather.paper}
            />
            {turn.result === 'lost' && <path d="M-7 8l14 0" stroke={leather.brick} />}
            {rep.repId === picked && <circle r={11} fill="none" stroke={leather.brick} />}
          </g>
        );
      })}
    </svg>
  );
}

const feetShown = 14;

/** A run: barrel by barrel the pockets found, going in, at the back and coming out, against the plan. */
export function RunPicture(props: PictureProps) {
  const { leather } = useTheme().palette;
  const left = 26;
  const column = (props.width - left) / 3;
  const high = 52;
  const y = (feet: number) => high - 8 - (Math.min(feetShown, feet) / feetShown) * (high - 16);
  return (
    <Rows
      {...props}
      name="Runs"
      rowHeight={high + 8}
      headHeight={20}
      head={
        <g fontSize="0.8rem" fill={leather.ink}>
          {['First', 'Second', 'Third'].map((name, at) => (
            <text key={name} x={left + at * column} y={14}>
              {name} barrel
            </text>
          ))}
        </g>
      }
      row={(rep) =>
        pocketsSeen(rep.measure as Of<'run'>).map((barrel, at) => {
          const x = (point: number) => left + at * column + (point * (column - 22)) / 2 + 8;
          const path = (feet: number[]) =>
            feet.map((foot, point) => `${point ? 'L' : 'M'}${x(point)} ${y(foot)}`).join('');
          return (
            <g key={at} fill="none" strokeWidth={2.25}>
              <path d={path(barrel.planned_ft)} stroke={leather.faded} strokeDasharray="3 4" />
              <path d={path(barrel.pocket_ft)} stroke={leather.ink} />
              {barrel.pocket_ft.map((foot, point) => (
                <circle
                  key={point}
                  cx={x(point)}
                  cy={y(foot)}
                  r={4}
                  stroke={leather.ink}
                  fill={
                    Math.abs(foot - (barrel.planned_ft[point] ?? foot)) <= 1
                      ? leather.leather
                      : leather.paper
                  }
                />
              ))}
              {barrel.tipped && (
                <path d={`M${x(1) - 7} ${high}l14 0`} stroke={leather.brick} strokeWidth={4} />
              )}
            </g>
          );
        })
      }
    />
  );
}

/** What the marks of each picture mean. */
export const pictureKeys: Partial<Record<Schemas['Measure']['kind'], string>> = {
  stop: 'A tick for each stride until the feet quit; then the line is the time on the bridle, filled at its end where the stop was soft. An arrow: it never came off. A red mark: the head.',
  circle:
    'A ring for each circle, filled where it was soft all round; a red spike for each nose-up, a gap where the gait broke.',
  turn: 'Each mark points the way the horse turned, filled where it was soft; a red line under one that was lost.',
  run: 'The line is the pocket found going in, at the back and coming out; dotted is the plan. Filled within a foot of it. A red line: tipped.',
};

/** The barrels of a run; none where its pockets were not looked at. */
const pocketsSeen = ({ timed_only, barrels }: Of<'run'>) => (timed_only ? [] : barrels);
