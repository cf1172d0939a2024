import { useTheme } from '@mui/material/styles';
import { isGive } from '../base/words/measures';
import { evasionTick, type DrawnRep } from './rein';

interface Props {
  rep: DrawnRep;
  centre: number;
  /** -1 to the left, 1 to the right. */
  way: number;
  /** Distance from the centre line. */
  away: number;
  y: number;
  picked: boolean;
}

/**
 * Filled: soft. Open: not soft. Dotted: not judged yet. A tick: which way it
 * evaded. A bar: did not give. A second ring: first ask of the day.
 */
export function RepMark({ rep, centre, way, away, y, picked }: Props) {
  const { leather } = useTheme().palette;
  const x = centre + way * away;
  const answer = isGive(rep.measure) ? rep.measure.answer : null;
  const tick = answer && evasionTick(answer);
  const unjudged = rep.soft === undefined;
  const ink = { stroke: leather.ink, strokeWidth: 2.25, strokeLinecap: 'round' as const };
  return (
    <>
      <line x1={centre} x2={x} y1={y} y2={y} stroke={leather.faded} strokeWidth={1.25} />
      {answer === 'did_not_give' ? (
        <line x1={x} x2={x} y1={y - 8} y2={y + 8} {...ink} strokeWidth={4} />
      ) : (
        <circle
          cx={x}
          cy={y}
          r={5.5}
          fill={rep.soft ? leather.leather : leather.paper}
          {...ink}
          strokeDasharray={unjudged ? '1.5 3.5' : undefined}
        />
      )}
      {tick && (
        <line
          x1={x + way * tick[0] * 6}
          y1={y + tick[1] * 6}
          x2={x + way * tick[0] * 12}
          y2={y + tick[1] * 12}
          {...ink}
        />
      )}
      {rep.firstAsk && (
        <circle cx={x} cy={y} r={9} fill="none" stroke={leather.water} strokeWidth={1.75} />
      )}
      {picked && <circle cx={x} cy={y} r={11} fill="none" stroke={leather.brick} strokeWidth={3} />}
    </>
  );
}
