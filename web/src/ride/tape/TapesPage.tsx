import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import { QueryState } from '../../shell/QueryState';
import { HorseHeading } from '../../shell/HorseHeading';
import { PageFrame } from '../../shell/PageFrame';
import { horsePageQuery } from '../../data/horse';
import { useWho } from '../../data/who';
import { dayIn, saidDay } from '../../base/words/days';
import { count } from '../../base/words/plain';
import { MeasuredLinks } from './MeasuredLinks';
import { tapePath, tapesQuery, useTakeOutTape, type Tape } from '../../data/tapes';

/** The tapes of a horse: what was marked; the films stay where they are. */
export function TapesPage() {
  const { horseId = '' } = useParams();
  const { records } = useWho();
  const page = useQuery(horsePageQuery(horseId));
  const tapes = useQuery(tapesQuery(horseId));
  const [fresh] = useState(() => uuidv7());
  return (
    <PageFrame title="Tape room">
      <MeasuredLinks horseId={horseId} />
      <QueryState query={page}>{({ horse }) => <HorseHeading horse={horse} />}</QueryState>
      <Typography variant="h2" sx={{ mt: 1 }}>
        Tape room
      </Typography>
      <Typography sx={{ maxWidth: 640, mt: 0.5 }}>
        Films are shown from your own disk and never leave it. What you mark in them is kept here.
      </Typography>
      {records && (
        <Button
          component={Link}
          to={tapePath(horseId, fresh)}
          variant="contained"
          sx={{ mt: 2, minHeight: 56 }}
        >
          Open a film
        </Button>
      )}
      <QueryState query={tapes}>{(all) => <Tapes horseId={horseId} all={all} />}</QueryState>
    </PageFrame>
  );
}

function Tapes({ horseId, all }: { horseId: string; all: Tape[] }) {
  const { time_zone, records } = useWho();
  const takeOut = useTakeOutTape();
  const today = dayIn(time_zone);
  if (all.length === 0) return <Typography sx={{ mt: 2 }}>Nothing marked yet.</Typography>;
  return (
    <Box
      component="ul"
      aria-label="Tapes"
      sx={{ listStyle: 'none', m: 0, mt: 2, p: 0, maxWidth: 720 }}
    >
      {all.map(({ tape_id, by, sheet }) => (
        <Box
          component="li"
          key={tape_id}
          sx={{ display: 'flex', gap: 1, alignItems: 'center', py: 0.5 }}
        >
          <Button
            component={Link}
            to={tapePath(horseId, tape_id)}
            sx={{ flex: 1, justifyContent: 'flex-start', minHeight: 64, textAlign: 'left' }}
          >
            <span>
              <strong>{sheet.name}</strong>, {saidDay(sheet.day, today)}
              <Typography component="span" variant="body2" sx={{ display: 'block' }}>
                {[
                  sheet.films.map(({ name }) => name).join(' and '),
                  count(sheet.marks?.length ?? 0, 'mark'),
                  sheet.ride_id && 'asks logged from it',
                  `by ${by}`,
                ]
                  .filter(Boolean)
                  .join('; ')}
              </Typography>
            </span>
          </Button>
          {records && (
            <Button
              disabled={takeOut.isPending}
              aria-label={`Take out ${sheet.name}`}
              onClick={() => takeOut.mutate(tape_id)}
              sx={{ minHeight: 56 }}
            >
              Take out
            </Button>
          )}
        </Box>
      ))}
      {takeOut.isError && <Typography role="alert">{takeOut.error.message}</Typography>}
    </Box>
  );
}
