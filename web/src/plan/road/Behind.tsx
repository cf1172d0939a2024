import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { Section } from '../../shell/Section';
import { levelPath } from '../../data/level';
import { longDay } from '../../base/words/days';
import type { HorseRoad } from '../../data/road';

/** What came to be held in the last half year, the latest first. */
export function Behind({ road }: { road: HorseRoad }) {
  if (road.behind.length === 0) return null;
  return (
    <Section title="Behind today" intro="What came to be held in the last half year.">
      <Box component="ul" sx={{ m: 0, pl: 2.5, columns: { md: 2 }, columnGap: 6 }}>
        {[...road.behind].reverse().map(({ level, day }) => (
          <Typography component="li" key={`${level.skill}/${level.rung}`} sx={{ py: 0.5 }}>
            <Box
              component={Link}
              to={levelPath({ horseId: road.horse.horse_id, ...level })}
              sx={{ color: 'text.primary' }}
            >
              {level.name}
            </Box>
            , {longDay(day)}
          </Typography>
        ))}
      </Box>
    </Section>
  );
}
