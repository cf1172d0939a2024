import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import { FormSelect } from '../base/form/FormSelect';
import { QueryState } from '../shell/QueryState';
import type { Output } from '../base/core/core';
import { boardQuery } from '../data/board';
import { ridePath } from '../data/ridePath';
import { useWho } from '../data/who';
import { trailQuery } from '../data/ground';

interface Props {
  courseId: string;
  said: Output<'trail-check'>;
}

/** What one horse rides of it tomorrow: by its ladder, one new thing. */
export function TomorrowsTrail({ courseId, said }: Props) {
  const { records } = useWho();
  const [search, setSearch] = useSearchParams();
  const horseId = search.get('horse') ?? '';
  const board = useQuery(boardQuery);
  const trail = useQuery(trailQuery(horseId, courseId));
  const horses = board.data?.horses ?? [];
  const name = (obstacle: number) => `${obstacle + 1}. ${said.grades[obstacle]?.name ?? ''}`;
  return (
    <Box component="section" aria-label="Tomorrow's course">
      <Typography variant="h3" component="h2">
        Tomorrow&apos;s course
      </Typography>
      <Box sx={{ mt: 1.5 }}>
        <FormSelect
          label="For"
          value={horseId}
          of={[
            ['', 'Choose a horse'],
            ...horses.map(({ horse }): [string, string] => [horse.horse_id, horse.name]),
          ]}
          onPick={(id) => setSearch(id ? { horse: id } : {}, { replace: true })}
        />
      </Box>
      {horseId !== '' && (
        <QueryState query={trail}>
          {({ tomorrow }) => (
            <>
              {tomorrow.ride.length === 0 && (
                <Typography sx={{ mt: 1 }}>
                  Nothing here is open on the ladder yet. See below what each obstacle waits for.
                </Typography>
              )}
              <Box component="ol" sx={{ pl: 3 }}>
                {tomorrow.ride.map((one, index) => (
                  <li key={index}>
                    <strong>{name(one.obstacle)}</strong>
                    {one.is_new && ' (new)'}. {one.why}{' '}
                    {records && <Link to={ridePath(horseId, one.level)}>Ride it</Link>}
                  </li>
                ))}
              </Box>
              {tomorrow.left_out.length > 0 && (
                <>
                  <Typography sx={{ fontWeight: 700 }}>Left out</Typography>
                  <Box component="ul" sx={{ pl: 3, mt: 0.5 }}>
                    {tomorrow.left_out.map((one) => (
                      <li key={one.obstacle}>
                        {name(one.obstacle)}. {one.why}
                      </li>
                    ))}
                  </Box>
                </>
              )}
            </>
          )}
        </QueryState>
      )}
    </Box>
  );
}
