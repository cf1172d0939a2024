import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { VerdictMark } from '../../draw/VerdictMark';
import { Section } from '../../shell/Section';
import { levelPath } from '../../data/level';
import { useWho } from '../../data/who';
import { verdictWords } from '../../base/words/answers';
import { dayIn, longDay, saidDay } from '../../base/words/days';
import type { HorsePage } from '../../data/horse';

/** What the last ride asked and what it changed, first of all that stands on the page. */
export function LastRide({ page }: { page: HorsePage }) {
  const { time_zone } = useWho();
  const last = page.last_ride;
  if (!last) return null;
  const day = saidDay(last.day, dayIn(time_zone));
  return (
    <Section id="last-ride" title={`Last ride, ${day}`}>
      {last.asked.length === 0 ? (
        <Typography>Nothing on this ladder was asked.</Typography>
      ) : (
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {last.asked.map((one) => (
            <Asked key={one.level} one={one} page={page} />
          ))}
        </Box>
      )}
      <Box
        component={Link}
        to={`/rides/${last.ride_id}`}
        sx={{ color: 'text.primary', display: 'inline-block', py: 1 }}
      >
        The ride of {longDay(last.day)}
      </Box>
    </Section>
  );
}

function Asked({ one, page }: { one: Schemas['AskedLevel']; page: HorsePage }) {
  const level = page.levels[one.level]?.level;
  if (!level) return null;
  const changed = one.before && one.before !== one.now;
  return (
    <Box
      component="li"
      sx={{ display: 'flex', alignItems: 'center', gap: 1.25, py: 0.5, minHeight: 44 }}
    >
      <VerdictMark verdict={one.now} />
      <Typography sx={{ minWidth: 0 }}>
        <Box
          component={Link}
          to={levelPath({ horseId: page.horse.horse_id, ...level })}
          sx={{ color: 'text.primary', fontWeight: 700 }}
        >
          {level.name}
        </Box>
        : {one.soft} of {one.asked} soft.{' '}
        {changed ? (
          <strong>
            {verdictWords[one.before!]} before, {verdictWords[one.now].toLowerCase()} now.
          </strong>
        ) : (
          `${one.before ? 'Still' : 'First time:'} ${verdictWords[one.now].toLowerCase()}.`
        )}
      </Typography>
    </Box>
  );
}
