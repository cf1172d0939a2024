import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { CowsOfHorse } from '../../cattle/herd/MatchPage';
import { matchPath, matchQuery } from '../../data/cattle';
import { useWho } from '../../data/who';
import { dayIn } from '../../base/words/days';

/** The cattle of a horse on the day, in the part of its card that is on them. */
export function CowsOnCard({ horseId, skill }: { horseId: string; skill: string }) {
  const { time_zone, records } = useWho();
  const day = dayIn(time_zone);
  const match = useQuery({ ...matchQuery(day), enabled: records });
  const own = match.data?.horses.find((horse) => horse.horse_id === horseId);
  if (own?.level.skill !== skill) return null;
  return (
    <Box component="section" aria-label="Cattle for this ride" sx={{ mt: 1 }}>
      <Typography>
        {own.corrected && 'A step slower than due: had to leave the cattle last time. '}
        <Link to={matchPath(day)}>All horses of the day</Link>
      </Typography>
      <CowsOfHorse one={own} />
    </Box>
  );
}
