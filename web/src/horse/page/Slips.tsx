import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { Section } from '../../shell/Section';
import { levelPath } from '../../data/level';
import { useWho } from '../../data/who';
import { percent } from '../../base/words/plain';
import { dayIn, saidDay } from '../../base/words/days';
import type { HorsePage } from '../../data/horse';

/** Held levels that slip against the horse's own settled level. */
export function Slips({ page }: { page: HorsePage }) {
  const { time_zone } = useWho();
  const today = dayIn(time_zone);
  return (
    <Section id="slipping" title="Slipping">
      {page.slips.length === 0 ? (
        <Typography>Nothing&apos;s slipping.</Typography>
      ) : (
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {page.slips.map(({ level: place, slip }) => {
            const level = page.levels[place]?.level;
            if (!level) return null;
            return (
              <Box component="li" key={place} sx={{ py: 0.75 }}>
                <Box
                  component={Link}
                  to={`${levelPath({ horseId: page.horse.horse_id, ...level }, '/strip')}?on=${page.on}`}
                  sx={{ color: 'text.primary', fontWeight: 700 }}
                >
                  {level.name}
                </Box>
                <Typography>
                  Was steady at {percent(slip.settled)} soft, now {percent(slip.now)}; under{' '}
                  {percent(slip.lower)} {slip.since && `since ${saidDay(slip.since, today)}`}. Check
                  it before you go on.
                </Typography>
              </Box>
            );
          })}
        </Box>
      )}
    </Section>
  );
}
