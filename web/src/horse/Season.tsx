import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { Section } from '../frame/Section';
import { percent } from '../words/answers';
import { shortDay, spans, type Span } from '../words/days';

/** The latest rides in season that are linked. */
const shownRides = 3;

/** A mare's season: the days seen, the days to reckon with, and what it does to her answers. */
export function Season({ season }: { season: Schemas['Season'] }) {
  const { seen, expected, share } = season;
  return (
    <Section title="In season">
      {seen.length === 0 ? (
        <Typography>
          No ride was marked in season. Mark it after a ride, and her rides in season are held
          against the others.
        </Typography>
      ) : (
        <>
          <Typography>
            Seen{' '}
            {spans(seen.map(({ day }) => day))
              .slice(-3)
              .map(said)
              .join(', ')}{' '}
            (
            {seen.slice(-shownRides).map(({ day, ride_id }, index) => (
              <span key={ride_id}>
                {index > 0 && ', '}
                <Box component={Link} to={`/rides/${ride_id}`} sx={{ color: 'text.primary' }}>
                  the ride of {shortDay(day)}
                </Box>
              </span>
            ))}
            ).{' '}
            {expected.length > 0
              ? `Reckon with ${expected.map(({ from, to }) => said([from, to])).join(', ')}.`
              : 'No season is to be reckoned with over the winter.'}
          </Typography>
          {share && (
            <Typography sx={{ mt: 0.5 }}>
              In season {percent(share.in_soft / share.in_asked)} soft of {share.in_asked} asks, out
              of it {percent(share.out_soft / share.out_asked)} of {share.out_asked}: {apart(share)}
            </Typography>
          )}
        </>
      )}
    </Section>
  );
}

function apart({ difference, low, high }: Schemas['SeasonShare']): string {
  const points = Math.abs(Math.round(difference * 100));
  if (high < 0) return `${points} points less, beyond chance. Judge her by the other days.`;
  if (low > 0) return `${points} points more, beyond chance.`;
  return 'no more apart than chance would have it.';
}

const said = ([from, to]: Span) =>
  from === to ? shortDay(from) : `${shortDay(from)} to ${shortDay(to)}`;
