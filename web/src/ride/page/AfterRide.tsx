import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { VerdictMark } from '../../draw/VerdictMark';
import { QueryState } from '../../shell/QueryState';
import { levelPath, levelQuery, type HorseLevel } from '../../data/level';
import { verdictWords } from '../../base/words/answers';
import { movedRails } from './movedRails';

/** What the ride changed: the verdict that evening against the one before. */
export function AfterRide({ level }: { level: HorseLevel }) {
  const judged = useQuery(levelQuery(level));
  return (
    <QueryState query={judged}>
      {(data) => <Changed judgement={data.judgement} level={level} />}
    </QueryState>
  );
}

interface ChangedProps {
  judgement: Schemas['Judgement'];
  /** The level before the ride, where it is at hand. */
  before?: Schemas['Judgement'];
  level: HorseLevel;
}

/** The verdict, what changed it, what it would take. */
export function Changed({ judgement, before: earlier, level }: ChangedProps) {
  const { verdict, text, takes, days } = judgement;
  const before = days.at(-2)?.verdict;
  return (
    <Box role="status">
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center' }}>
        <VerdictMark verdict={verdict} size={40} />
        <Typography variant="h2">
          {before && before !== verdict
            ? `${verdictWords[before]} before, ${verdictWords[verdict].toLowerCase()} now`
            : `Still: ${verdictWords[verdict].toLowerCase()}`}
        </Typography>
      </Box>
      <Typography sx={{ mt: 1 }}>{text}</Typography>
      <Typography sx={{ mt: 0.5 }}>{takes}</Typography>
      {movedRails(judgement, earlier).map(({ text: rail, filled }) => (
        <Typography key={rail} sx={{ mt: 0.5 }}>
          <span aria-hidden="true">{filled ? '✓ ' : '✗ '}</span>
          {filled ? 'Filled now. ' : 'Not filled any more. '}
          {rail}
        </Typography>
      ))}
      <Button
        component={Link}
        to={levelPath(level)}
        variant="contained"
        sx={{ mt: 2, minHeight: 56 }}
      >
        See the gate
      </Button>
    </Box>
  );
}
