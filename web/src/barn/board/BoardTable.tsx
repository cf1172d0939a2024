import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Schemas } from '../../base/api/client';
import { HeldPost } from '../../draw/HeldPost';
import { VerdictMark } from '../../draw/VerdictMark';
import { plainTable } from '../../shell/plainTable';
import { horsePath } from '../../data/horse';
import { levelPath } from '../../data/level';
import { useWho } from '../../data/who';
import { verdictWords } from '../../base/words/answers';
import { dayIn, saidDay } from '../../base/words/days';

type BoardHorse = Schemas['BoardHorse'];

/** Horses down, tracks across. A track that no horse has begun is left out. */
export function BoardTable({ board }: { board: Schemas['Board'] }) {
  const begun = board.tracks.filter(({ id }) =>
    board.horses.some(({ tracks }) =>
      tracks.some((one) => one.track === id && (one.held > 0 || one.under_way)),
    ),
  );
  return (
    <Box
      role="region"
      aria-label="Horses and tracks"
      tabIndex={0}
      sx={{ overflowX: 'auto', mt: 3 }}
    >
      <Box
        component="table"
        sx={{
          ...plainTable,
          '& thead th': { borderTop: 0, verticalAlign: 'bottom', fontSize: 15, lineHeight: 1.15 },
        }}
      >
        <thead>
          <tr>
            <th scope="col">Horse</th>
            {begun.map(({ id, name }) => (
              <th scope="col" key={id}>
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {board.horses.map((one) => (
            <tr key={one.horse.horse_id}>
              <HorseHead one={one} />
              {begun.map(({ id }) => (
                <TrackCell
                  key={id}
                  horseId={one.horse.horse_id}
                  track={one.tracks.find(({ track }) => track === id)}
                />
              ))}
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}

function HorseHead({ one }: { one: BoardHorse }) {
  const { time_zone } = useWho();
  return (
    <Box component="th" scope="row" sx={{ minWidth: 138, fontWeight: 400 }}>
      <Box
        component={Link}
        to={horsePath(one.horse.horse_id)}
        sx={{
          display: 'block',
          color: 'text.primary',
          textDecoration: 'none',
          '&:hover': { textDecoration: 'underline' },
        }}
      >
        <Typography variant="h3" component="span">
          {one.horse.name}
        </Typography>
      </Box>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {one.last_ridden
          ? `Ridden ${saidDay(one.last_ridden, dayIn(time_zone))}`
          : 'Not ridden yet'}
      </Typography>
      {one.stiff_side && (
        <Typography variant="body2">
          Stiff on the {one.stiff_side.side}
          {one.stiff_side.neglected && ', not worked'}
        </Typography>
      )}
    </Box>
  );
}

function TrackCell({
  track,
  horseId,
}: {
  track: Schemas['TrackStanding'] | undefined;
  horseId: string;
}) {
  if (!track) return <td>not in the program</td>;
  const { held, rusty, in_doubt, lost, levels, under_way } = track;
  const quiet = held === 0 && lost === 0 && !under_way;
  return (
    <Box component="td" sx={{ minWidth: 92 }}>
      {!quiet && (
        <Box sx={{ display: 'flex', gap: 0.75 }}>
          <HeldPost held={held} rusty={rusty} doubted={in_doubt} lost={lost} levels={levels} />
          <Box sx={{ minWidth: 0 }}>
            <Typography variant="body2">
              {held} of {levels}
            </Typography>
            {rusty > 0 && <Typography variant="body2">{rusty} rusty</Typography>}
            {in_doubt > 0 && <Typography variant="body2">{in_doubt} in doubt</Typography>}
            {lost > 0 && <Typography variant="body2">{lost} lost</Typography>}
            {under_way && (
              <Box
                component={Link}
                to={levelPath({ horseId, ...under_way.level })}
                title={under_way.name}
                sx={{
                  display: 'flex',
                  gap: 0.5,
                  alignItems: 'center',
                  minHeight: 28,
                  color: 'text.primary',
                  textDecoration: 'none',
                  '&:hover': { textDecoration: 'underline' },
                }}
              >
                <VerdictMark verdict={under_way.verdict} size={20} />
                <Typography variant="body2" component="span" sx={{ fontWeight: 700 }}>
                  {verdictWords[under_way.verdict]}
                </Typography>
              </Box>
            )}
            {under_way?.stuck_days != null && (
              <Typography variant="body2" sx={{ color: 'error.main' }}>
                {under_way.stuck_days} days on it
              </Typography>
            )}
          </Box>
        </Box>
      )}
      {quiet && (
        <Typography variant="body2" sx={{ color: 'text.secondary' }} aria-label="not begun">
          –
        </Typography>
      )}
    </Box>
  );
}
