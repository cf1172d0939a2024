import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { Section } from '../../shell/Section';
import { intakePath } from '../../data/intake';
import { levelPath } from '../../data/level';
import { longDay } from '../../base/words/days';
import { count } from '../../base/words/plain';
import type { HorsePage } from '../../data/horse';

/** What the intake showed and what waits for a first ask; the way to one for a horse nobody has asked yet. */
export function IntakeInShort({ page, today }: { page: HorsePage; today: boolean }) {
  const { intake, horse, last_ride } = page;
  if (!intake && (last_ride || !today)) return null;
  return (
    <Section id="intake" title="Intake">
      {intake ? (
        <Typography sx={{ maxWidth: 760 }}>
          {longDay(intake.day)} it showed {count(intake.shown, 'level')};{' '}
          {intake.waiting > 0
            ? `${intake.waiting} still ${intake.waiting === 1 ? 'waits' : 'wait'} for a first ask.`
            : 'none waits for a first ask any more.'}
        </Typography>
      ) : (
        <Typography sx={{ maxWidth: 760 }}>
          Nobody here has asked {horse.name} anything yet. An intake ride finds out what is there,
          with few asks.
        </Typography>
      )}
      {intake && intake.holes.length > 0 && (
        <Typography sx={{ mt: 1, maxWidth: 760 }}>
          <strong>Missing under the rest: </strong>
          {intake.holes.map(({ skill, rung, name }, index) => (
            <Box component="span" key={name}>
              {index > 0 && '; '}
              <Box
                component={Link}
                to={levelPath({ horseId: horse.horse_id, skill, rung })}
                sx={{ color: 'text.primary' }}
              >
                {name}
              </Box>
            </Box>
          ))}
          .
        </Typography>
      )}
      {today && (
        <Button component={Link} to={intakePath(horse.horse_id)} sx={{ mt: 1.5 }}>
          {intake ? 'See what was found' : 'Intake ride'}
        </Button>
      )}
    </Section>
  );
}
