import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { VerdictMark } from '../draw/VerdictMark';
import { Asked } from '../frame/Asked';
import { levelPath, levelQuery, type HorseLevel } from '../level/queries';
import { verdictWords } from '../words/answers';

/** What the ride changed: the verdict that evening against the one before. */
export function AfterRide({ level }: { level: HorseLevel }) {
  const judged = useQuery(levelQuery(level));
  return <Asked query={judged}>{(data) => <Changed judged={data} level={level} />}</Asked>;
}

function Changed({ judged, level }: { judged: Schemas['JudgedLevel']; level: HorseLevel }) {
  const { verdict, says, takes, days } = judged.judgement;
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
      <Typography sx={{ mt: 1 }}>{says}</Typography>
      <Typography sx={{ mt: 0.5 }}>{takes}</Typography>
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
