import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../base/api/client';
import { FormFrame } from '../base/form/FormFrame';
import { FormSelect } from '../base/form/FormSelect';
import { fieldsOf, saidOfAll } from '../base/form/problems';
import { Chip } from '../shell/Chip';
import { OneSlider } from '../shell/OneSlider';
import { peopleQuery } from '../data/people';
import { usePlanRestore, type PieceForHorse } from '../data/tack';

interface Props {
  horseId: string;
  pieces: PieceForHorse[];
  plan: Schemas['RestoreShown'] | undefined;
  onDone: () => void;
}

/** The mild piece, how many weeks, and who rides. */
export function RestoreForm({ horseId, pieces, plan, onDone }: Props) {
  const people = useQuery(peopleQuery);
  const save = usePlanRestore();
  const mild = pieces.filter(({ kind }) => kind !== 'shank' && kind !== 'two_rein');
  const [gearId, setGearId] = useState(plan?.gear_id ?? mild[0]?.gear_id ?? '');
  const [weeks, setWeeks] = useState(plan?.weeks ?? 8);
  const [riders, setRiders] = useState<string[]>(plan?.riders ?? []);
  const said = fieldsOf(save.error);
  const ride = (people.data ?? []).filter(
    ({ role, left_at }) => !left_at && (role === 'trainer' || role === 'rider'),
  );
  if (mild.length === 0)
    return (
      <Typography sx={{ maxWidth: 560 }}>
        Nothing mild is on the shelf: add a snaffle, a bosal or a halter first.
      </Typography>
    );
  return (
    <FormFrame
      label="The way back"
      save={plan ? 'Save' : 'Begin'}
      saving={save.isPending}
      onSave={() =>
        save.mutate({ horseId, body: { gear_id: gearId, weeks, riders } }, { onSuccess: onDone })
      }
      onCancel={onDone}
      wrong={saidOfAll(save.error, ['/gear_id', '/riders'])}
    >
      <FormSelect
        label="Ridden in"
        value={gearId}
        of={mild.map(({ gear_id, name }): [string, string] => [gear_id, name])}
        onPick={setGearId}
        wrong={said['/gear_id']}
      />
      <OneSlider
        label="Weeks"
        value={weeks}
        said={`${weeks} weeks. It takes long; more is fine.`}
        min={2}
        max={26}
        step={1}
        onChange={(_, value) => setWeeks(value)}
      />
      <Box>
        <Typography sx={{ mb: 1 }}>Only these ride the horse:</Typography>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
          {ride.map(({ person_id, name }) => (
            <Chip
              key={person_id}
              label={name}
              on={riders.includes(person_id)}
              onToggle={() =>
                setRiders(
                  riders.includes(person_id)
                    ? riders.filter((id) => id !== person_id)
                    : [...riders, person_id],
                )
              }
            />
          ))}
        </Box>
        {said['/riders'] && (
          <Typography role="alert" sx={{ color: 'error.main', mt: 0.5 }}>
            Name at least one rider
          </Typography>
        )}
      </Box>
    </FormFrame>
  );
}
