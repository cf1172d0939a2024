import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { useWho } from '../../data/who';
import { handWords, seconds, sideWords, type HandWeight } from '../../base/words/answers';
import { clockIn, longDay } from '../../base/words/days';
import { isGive, measureInWords } from '../../base/words/measures';

interface Props {
  strip: Schemas['Strip'];
  repId: string;
  longestSoftS: number;
  mostSoftHand: HandWeight;
}

/** One ask, in words: the end of the way from verdict to rep. */
export function PickedRep({ strip, repId, longestSoftS, mostSoftHand }: Props) {
  const { time_zone } = useWho();
  const rep = strip.reps.find((candidate) => candidate.rep_id === repId);
  if (!rep) return null;
  return (
    <Box
      role="status"
      sx={{
        my: 1.5,
        p: 2,
        border: '2px solid',
        borderColor: 'text.primary',
        borderRadius: '5px',
        bgcolor: 'background.paper',
        maxWidth: 560,
      }}
    >
      <Typography variant="h3" component="p">
        {longDay(strip.day)}, {clockIn(time_zone, rep.asked_at)}
      </Typography>
      <Typography>
        {sideWords[rep.side]}: {measureInWords(rep.measure)}.
        {rep.first_ask && ' The first ask of the day on this side.'}
      </Typography>
      <Typography sx={{ fontWeight: 700 }}>
        {rep.soft ? 'Soft.' : 'Not soft'}
        {!rep.soft &&
          (isGive(rep.measure)
            ? `: soft means a give within ${seconds(longestSoftS)}, ${handWords[mostSoftHand]} at most, no evasion.`
            : '.')}
      </Typography>
      <Box
        component={Link}
        to={`/rides/${strip.ride_id}?rep=${repId}`}
        sx={{ color: 'text.primary', display: 'inline-block', py: 0.75 }}
      >
        See the ride
      </Box>
    </Box>
  );
}
