import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { useWho } from '../../data/who';
import { peopleQuery } from '../../data/people';
import { placesQuery } from '../../data/yard';
import { boardQuery } from '../../data/board';

const doneKey = (barnId: string) => `cavesson.first-steps-done.${barnId}`;

/** The first five minutes of a new barn. It goes away by itself once all of it was done. */
export function FirstSteps({ horses }: { horses: number }) {
  const { barn_id } = useWho();
  // Asked for once: a barn that has begun does not begin again.
  const [done] = useState(() => localStorage.getItem(doneKey(barn_id)) !== null);
  return done ? null : <Steps horses={horses} barnId={barn_id} />;
}

function Steps({ horses, barnId }: { horses: number; barnId: string }) {
  const people = useQuery(peopleQuery);
  const places = useQuery(placesQuery);
  const board = useQuery(boardQuery);
  if (!people.data || !places.data || !board.data) return null;
  const steps: [boolean, string, string][] = [
    [horses > 0, 'Add your first horse', '/horses/new'],
    [places.data.length > 0, 'Add the place you ride in', '/yard'],
    [people.data.length > 1, 'Add your riders and helpers', '/people/new'],
    [
      board.data.horses.some(({ last_ridden }) => last_ridden != null),
      'Ride: record your first asks',
      firstRide(board.data.horses[0]?.horse.horse_id),
    ],
  ];
  const left = steps.filter(([done]) => !done);
  // A barn of one is a barn: nobody is sent after people for ever.
  if (left.length === 0 || (left.length === 1 && left[0]?.[2] === '/people/new')) {
    localStorage.setItem(doneKey(barnId), 'yes');
    return null;
  }
  return (
    <Box
      component="section"
      aria-label="First five minutes"
      sx={{ mb: 3, maxWidth: 620, borderLeft: '6px solid', borderColor: 'secondary.main', pl: 2 }}
    >
      <Typography variant="h2">First five minutes</Typography>
      <Box component="ol" sx={{ m: 0, mt: 1, pl: 3 }}>
        {steps.map(([done, words, to]) => (
          <Typography component="li" key={to} sx={{ py: 0.75 }}>
            {done ? (
              <Box component="span" sx={{ color: 'text.secondary' }}>
                ✓ {words}, done
              </Box>
            ) : to ? (
              <Box component={Link} to={to} sx={{ color: 'text.primary', fontWeight: 700 }}>
                {words}
              </Box>
            ) : (
              words
            )}
          </Typography>
        ))}
      </Box>
    </Box>
  );
}

/** A horse nobody here has ridden begins with its intake. */
const firstRide = (horseId?: string) => (horseId ? `/horses/${horseId}/intake` : '');
