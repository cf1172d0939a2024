import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { freshTimes } from './freshTimes';
import { timedRunsQuery } from '../data/timedRuns';
import { eyeFaultWords } from '../base/words/ground';
import { FaceButton } from '../shell/FaceButton';

interface Props {
  /** The one that the run has. */
  taken: string | undefined;
  onTake: (timedId: string, timeS: number) => void;
}

/** Times of the timing eyes that no run has yet: one touch gives it to this run. */
export function EyeTimes({ taken, onTake }: Props) {
  const { data = [], dataUpdatedAt } = useQuery(timedRunsQuery);
  const times = freshTimes(data, dataUpdatedAt, taken);
  if (times.length === 0) return null;
  return (
    <Box role="group" aria-label="Times of the eyes" sx={{ mb: 1 }}>
      <Typography sx={{ fontWeight: 700 }}>From the timing eyes</Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 0.5 }}>
        {times.map(({ timed_id, time_s, faults, ago }) => (
          <FaceButton
            key={timed_id}
            pressed={timed_id === taken}
            onTap={() => onTake(timed_id, time_s)}
          >
            {time_s.toFixed(3)} s
            <Typography component="span" variant="body2" sx={{ display: 'block' }}>
              {[ago, ...faults.map((fault) => eyeFaultWords[fault])].join('; ')}
            </Typography>
          </FaceButton>
        ))}
      </Box>
    </Box>
  );
}
