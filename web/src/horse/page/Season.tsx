import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { Section } from '../../shell/Section';
import { ShareApart } from './ShareApart';
import { sayApart } from './sayApart';
import { percent } from '../../base/words/plain';
import { shortDay, spans, type Span } from '../../base/words/days';

/** The latest rides in season that are linked. */
const shownRides = 3;

/** A mare's season: the days seen, the days to expect, and what it does to her answers. */
export function Season({ season }: { season: Schemas['Season'] }) {
  const { seen, expected, share } = season;
  return (
    <Section id="season" title="In season">
      {seen.length === 0 ? (
        <Typography>
          No ride marked in season yet. Mark one after the ride to compare her in season and out.
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
            ).
          </Typography>
          {share && (
            <>
              <Typography sx={{ mt: 0.5 }}>
                In season {percent(share.in_season.soft / share.in_season.asked)} soft of{' '}
                {share.in_season.asked} asks, out of it{' '}
                {percent(share.out_of_season.soft / share.out_of_season.asked)} of{' '}
                {share.out_of_season.asked}. {sayApart(share)}
                {share.high < 0 && ' Judge her by the other days.'}
              </Typography>
              <ShareApart of="In season less out of season" difference={share} />
            </>
          )}
        </>
      )}
      {expected.length > 0 && (
        <Typography sx={{ mt: 0.5 }}>
          Expect her in season around {expected.map(({ from, to }) => said([from, to])).join(', ')}.
        </Typography>
      )}
      {expected.length === 0 && seen.length > 0 && (
        <Typography sx={{ mt: 0.5 }}>None expected over the winter.</Typography>
      )}
    </Section>
  );
}

const said = ([from, to]: Span) =>
  from === to ? shortDay(from) : `${shortDay(from)} to ${shortDay(to)}`;
