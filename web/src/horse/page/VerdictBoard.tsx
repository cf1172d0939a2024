import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { VerdictMark } from '../../draw/VerdictMark';
import { Section } from '../../shell/Section';
import { ladderQuery } from '../../data/ladder';
import { levelPath } from '../../data/level';
import { useWho } from '../../data/who';
import { verdictWords } from '../../base/words/answers';
import { dayIn, saidDay } from '../../base/words/days';
import { pronouns } from '../../base/words/horse';
import { stateWords } from '../../base/words/states';
import { heldOf, rustyOf, underWay, type PlacedLevel } from '../../data/levelsOfHorse';
import type { HorsePage } from '../../data/horse';

/** Every level under way, track by track, with what the judge says of it. */
export function VerdictBoard({ page }: { page: HorsePage }) {
  const ladder = useQuery(ladderQuery);
  const tracks = (ladder.data?.tracks ?? [])
    .map(({ id, name }) => ({
      id,
      name,
      levels: underWay(page.levels, id),
      rusty: rustyOf(page.levels, id),
      held: heldOf(page.levels, id),
      of: page.levels.filter(({ level }) => level.track === id).length,
    }))
    .filter(({ levels, held }) => levels.length > 0 || held > 0);
  return (
    <Section
      id="stands"
      title={`Where ${pronouns(page.horse.sex).he} stands`}
      intro="Under way, moved back or rusty. What's held is counted."
    >
      {tracks.length === 0 && (
        <Typography>Nothing asked yet. The first ride will show here.</Typography>
      )}
      {tracks.map(({ id, name, levels, rusty, held, of }) => (
        <Box
          key={id}
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '190px minmax(0, 1fr)' },
            columnGap: 2,
            py: 1,
            borderTop: '2px solid',
            borderColor: 'divider',
          }}
        >
          <Box>
            <Typography variant="h3">{name}</Typography>
            <Typography variant="body2" sx={{ color: 'text.secondary' }}>
              {held} of {of} held
            </Typography>
          </Box>
          <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {levels.length === 0 && rusty.length === 0 && (
              <Typography component="li" sx={{ color: 'text.secondary', py: 0.5 }}>
                Nothing under way.
              </Typography>
            )}
            {levels.map((level) => (
              <BoardLine key={level.place} line={level} page={page} />
            ))}
            {rusty.length > 0 && <Rusty levels={rusty} page={page} />}
          </Box>
        </Box>
      ))}
    </Section>
  );
}

/** Levels held once that want a short cold retest. */
function Rusty({ levels, page }: { levels: PlacedLevel[]; page: HorsePage }) {
  return (
    <Box component="li" sx={{ display: 'flex', gap: '8px', py: 0.75, alignItems: 'flex-start' }}>
      <VerdictMark verdict="refresh" />
      <Typography sx={{ pl: { md: 0.75 } }}>
        <strong>Rusty, test cold:</strong>{' '}
        {levels.map(({ level, place }, index) => (
          <span key={place}>
            {index > 0 && '; '}
            <Box
              component={Link}
              to={levelPath({ horseId: page.horse.horse_id, ...level })}
              sx={{ color: 'text.primary' }}
            >
              {level.name}
            </Box>
          </span>
        ))}
      </Typography>
    </Box>
  );
}

function BoardLine({ line, page }: { line: PlacedLevel; page: HorsePage }) {
  const { time_zone } = useWho();
  const today = dayIn(time_zone);
  const on = page.on === today ? undefined : page.on;
  const { level, verdict, state, sides, holds, last_asked } = line;
  return (
    <Box component="li">
      <Box
        component={Link}
        to={levelPath({ horseId: page.horse.horse_id, ...level, on })}
        sx={{
          display: 'grid',
          gridTemplateColumns: {
            xs: '34px minmax(0, 1fr)',
            md: '34px minmax(0, 5fr) minmax(0, 4fr) 150px 92px',
          },
          gap: { xs: '0 8px', md: 1.5 },
          alignItems: 'center',
          minHeight: 44,
          py: 0.5,
          color: 'text.primary',
          textDecoration: 'none',
          '&:hover .name': { textDecoration: 'underline' },
        }}
      >
        <Box sx={{ display: 'flex', gridRow: { xs: 'span 4', md: 'auto' } }}>
          <VerdictMark verdict={verdict} />
        </Box>
        <Typography className="name" sx={{ fontWeight: 700 }}>
          {level.name}: {verdictWords[verdict].toLowerCase()}
        </Typography>
        <Typography variant="body2">{holds || stateWords[state]}</Typography>
        <Typography variant="body2">
          {sides
            .map(({ side, soft, asked }) =>
              side === 'both'
                ? `${soft} of ${asked} soft`
                : `${side[0]!.toUpperCase()} ${soft}/${asked}`,
            )
            .join('  ')}
        </Typography>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {last_asked ? saidDay(last_asked, today) : 'not asked'}
        </Typography>
      </Box>
    </Box>
  );
}
