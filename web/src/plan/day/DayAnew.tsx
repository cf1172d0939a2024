import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { saidOfAll } from '../../base/form/problems';
import { count } from '../../base/words/plain';
import { said, sent } from '../week/draft';
import { Planning, usePlanning } from '../week/Planning';
import { useTakeWeek, type PlanFound, type SolveAsked } from '../../data/week';

interface Props {
  day: string;
  /** What came up, as the planner is told. */
  without: Pick<SolveAsked, 'without_horses' | 'without_people' | 'too_hot_from_min'>;
  because: string;
  onDone: () => void;
}

/** Seconds that the rest of a day may take to be planned anew. */
const seconds = 1.5;

/** The rest of the day planned anew around what came up: what changes and why, one tap to take. */
export function DayAnew({ day, without, because, onDone }: Props) {
  const [found, setFound] = useState<PlanFound>();
  const planning = usePlanning(day, setFound);
  const take = useTakeWeek(day);
  const changes = found?.changes ?? [];
  return (
    <Box sx={{ mt: 2 }}>
      {!found && !planning.running && (
        <Button
          variant="contained"
          onClick={() => planning.begin({ ...without, only_day: true, seconds })}
          sx={{ minHeight: 56 }}
        >
          Plan the rest of the day anew
        </Button>
      )}
      <Planning planning={planning} />
      {found && (
        <Box component="section" aria-label="The rest of the day">
          <Typography variant="h3">
            {changes.length === 0
              ? 'Nothing has to change.'
              : `${count(changes.length, 'ride')} changed`}
          </Typography>
          {changes.map(({ horse_id, was, is }) => {
            const name = found.instance.horses.find((one) => one.horse_id === horse_id)?.name;
            const why = is ? '' : ` (${because.toLowerCase()})`;
            return (
              <Typography key={`${horse_id} ${was?.from_min ?? is?.from_min}`}>
                <strong>{name}</strong>:{' '}
                {is ? `${was ? 'now' : 'new,'} ${said(found.instance, is)}` : `off today${why}`}
              </Typography>
            );
          })}
          {found.left_out.map(({ name, why }) =>
            why.map((text) => (
              <Typography key={`${name} ${text}`} variant="body2">
                {text}
              </Typography>
            )),
          )}
          <Button
            variant="contained"
            disabled={take.isPending}
            onClick={() =>
              take.mutate(
                {
                  only_day: true,
                  because,
                  rides: sent(
                    found.instance,
                    found.plan.map((ride) => ({ ride })),
                  ),
                },
                { onSuccess: onDone },
              )
            }
            sx={{ minHeight: 56, mt: 1 }}
          >
            Take it
          </Button>
          {take.isError && (
            <Typography role="alert" sx={{ color: 'error.main' }}>
              {saidOfAll(take.error, [])}
            </Typography>
          )}
        </Box>
      )}
    </Box>
  );
}
