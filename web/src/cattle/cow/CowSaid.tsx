import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { plainTable } from '../../shell/plainTable';
import { count } from '../../base/words/plain';
import { lengthInWords } from '../../base/words/units';
import { roundSteps, stepsASecond, type Seen } from './useCowRound';

interface Props {
  seen: Seen | null;
  state: 'ready' | 'ridden' | 'again' | 'over';
  /** Whether the round is among the barn's. */
  kept: string | null;
}

const meets: Record<Seen['meets'], string> = {
  bolting: 'It has bolted.',
  too_deep: 'Too deep: it bolts.',
  too_far: 'Too far: it pays no heed.',
  in_front: 'In front: it turns.',
  level: 'Level with its eye: it stands.',
  behind: 'Behind its shoulder: it moves on.',
};

const points = (value: number) => `${value > 0 ? '−' : ''}${value.toFixed(0)}`;

/** The time left, what the cow does and why; after the round what it came to and what cost it. */
export function CowSaid({ seen, state, kept }: Props) {
  if (!seen) return null;
  const { score, state: now } = seen;
  const left = Math.ceil((roundSteps - now.step) / stepsASecond);
  const over = state === 'over';
  return (
    <Box component="section" aria-label="The round">
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2 }}>
        <Typography
          data-testid="cow score"
          sx={{
            fontSize: '3rem',
            fontWeight: 700,
            lineHeight: 1,
            fontVariantNumeric: 'tabular-nums',
          }}
        >
          {score.score.toFixed(0)}
        </Typography>
        <Typography role="timer">{over ? 'of 100' : `${left} s left`}</Typography>
      </Box>
      {!over && (
        <Typography sx={{ minHeight: 28, fontWeight: 700 }}>{meets[seen.meets]}</Typography>
      )}
      <Box component="table" sx={{ ...plainTable, width: '100%', mt: 1 }}>
        <caption style={{ textAlign: 'left' }}>What it is made of</caption>
        <tbody>
          <tr>
            <th scope="row">In position</th>
            <td>{score.in_position_pct.toFixed(0)}</td>
          </tr>
          <tr>
            <th scope="row">Ground lost, {lengthInWords(Math.round(now.tally.ground_lost_ft))}</th>
            <td>{points(score.ground_cost)}</td>
          </tr>
          <tr>
            <th scope="row">Upset, {count(now.tally.upset, 'time')}</th>
            <td>{points(score.upset_cost)}</td>
          </tr>
          <tr>
            <th scope="row">Back in the herd, {count(now.tally.lost, 'time')}</th>
            <td>{points(score.lost_cost)}</td>
          </tr>
        </tbody>
      </Box>
      {over && kept && <Typography role="status">{kept}</Typography>}
    </Box>
  );
}
