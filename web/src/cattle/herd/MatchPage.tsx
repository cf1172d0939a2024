import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { QueryState } from '../../shell/QueryState';
import { PageFrame } from '../../shell/PageFrame';
import { useWho } from '../../data/who';
import { dayAfter, dayIn, longDay } from '../../base/words/days';
import { count } from '../../base/words/plain';
import {
  againstDueWords,
  becauseInWords,
  firstTempo,
  goesWords,
  stopsInWords,
} from '../../base/words/herd';
import { cowPath, matchPath, matchQuery, worksPath } from '../../data/cattle';
import { Tag } from './Tag';

/** Which cow for which horse on a day, all horses together. */
export function MatchPage() {
  const { time_zone } = useWho();
  const today = dayIn(time_zone);
  const { day = today } = useParams();
  const match = useQuery(matchQuery(day));
  return (
    <PageFrame title="Cattle of the day">
      <Typography variant="h1">Which cow for which horse</Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', mt: 1 }}>
        {day > today && (
          <Button component={Link} to={matchPath(dayAfter(day, -1))} sx={{ minHeight: 48 }}>
            Day before
          </Button>
        )}
        <Typography sx={{ fontWeight: 700 }}>{longDay(day)}</Typography>
        <Button component={Link} to={matchPath(dayAfter(day))} sx={{ minHeight: 48 }}>
          Day after
        </Button>
      </Box>
      <QueryState query={match}>
        {({ horses, can_work }) => (
          <>
            <Typography sx={{ mt: 1, maxWidth: 720 }}>
              {horses.length === 0 ? (
                <>
                  No horse is down for cattle that day. <Link to={`/day/${day}`}>Plan one</Link>.
                </>
              ) : (
                `${count(can_work, 'cow', 'cattle')} can be worked. As many works as can be, the
                 best cows for all horses together; nobody gets a cow twice.`
              )}
            </Typography>
            <Box component="ul" aria-label="Horses" sx={{ listStyle: 'none', m: 0, p: 0, mt: 2 }}>
              {horses.map((one) => (
                <HorseRow key={one.horse_id} one={one} />
              ))}
            </Box>
          </>
        )}
      </QueryState>
    </PageFrame>
  );
}

function HorseRow({ one }: { one: Schemas['HorseOfDay'] }) {
  return (
    <Box
      component="li"
      sx={{
        borderTop: '3px solid',
        borderColor: 'text.primary',
        py: 1.5,
        display: 'flex',
        flexWrap: 'wrap',
        gap: 2,
      }}
    >
      <Box sx={{ flex: '0 0 220px' }}>
        <Typography variant="h2">
          <Link to={worksPath(one.horse_id)}>{one.horse}</Link>
        </Typography>
        <Typography>{one.name}</Typography>
        <Typography variant="body2">
          Due: {firstTempo(one.due)}.
          {one.first && ' First time on cattle: quiet ones of a settled herd, never alone.'}
          {one.corrected && ' Had to leave the cattle last time, so a step slower.'}
        </Typography>
      </Box>
      <CowsOfHorse one={one} />
    </Box>
  );
}

/** The cows of a horse: tags to read across the pen, and why these. */
export function CowsOfHorse({ one }: { one: Schemas['HorseOfDay'] }) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2.5, flex: '1 1 300px' }}>
      {one.cows.map((cow) => (
        <Box
          key={cow.cow_id}
          component={Link}
          to={cowPath(cow.cow_id)}
          sx={{
            display: 'flex',
            gap: 1.5,
            alignItems: 'center',
            color: 'text.primary',
            textDecoration: 'none',
            minHeight: 76,
          }}
        >
          <Tag tag={cow.tag} size={48} />
          <Box>
            <Typography sx={{ fontWeight: 700 }}>{cow.lot}</Typography>
            <Typography variant="body2">
              {goesWords[cow.goes]}: {againstDueWords[cow.tempo]}
            </Typography>
            <Typography variant="body2">
              {stopsInWords(cow.honesty)},{' '}
              {cow.works > 0 ? `${count(cow.works, 'work')} so far` : 'never worked'}
            </Typography>
          </Box>
        </Box>
      ))}
      {one.left_out > 0 && (
        <Typography sx={{ flex: '1 1 220px' }}>
          {one.cows.length === 0 ? 'No cow yet' : `${count(one.left_out, 'work')} short`}
          {one.because.length > 0 && `: ${becauseInWords(one.because)}`}
          {one.taken > 0 && `; ${one.taken} went to other horses`}.
        </Typography>
      )}
    </Box>
  );
}
