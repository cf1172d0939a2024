import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useState } from 'react';
import { BrokenList } from '../BrokenList';
import { FormSelect } from '../../base/form/FormSelect';
import { clockOf, dayName, horseOf, replaced, ridesOf, stepMin, type Draft } from './draft';
import type { Instance, RideTaken } from '../../data/week';
import { useWeekRules } from './useWeekRules';

interface Props {
  instance: Instance;
  draft: Draft;
  index: number;
  arranges: boolean;
  onChange: (draft: Draft) => void;
  onClose: () => void;
}

/** A ride of the plan: day, time, rider, place, work; pinned, or taken off. */
export function RideSheet({ instance, draft, index, arranges, onChange, onClose }: Props) {
  const [taken, setTaken] = useState<RideTaken | undefined>(draft[index]);
  const tried = taken ? replaced(draft, index, taken) : draft;
  const rules = useWeekRules(instance, ridesOf(tried), ridesOf(draft));
  if (!taken) return null;
  const { ride } = taken;
  const horse = horseOf(instance, ride);
  const works = horse?.works ?? [];
  const places = works[ride.work]?.place_ids ?? [];
  const set = (part: Partial<RideTaken['ride']>) =>
    setTaken({ ...taken, ride: { ...ride, ...part } });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{horse?.name ?? 'A ride'}</DialogTitle>
      <DialogContent>
        <Box
          component="fieldset"
          disabled={!arranges}
          sx={{ display: 'grid', gap: 1.5, pt: 1, border: 0, px: 0, m: 0 }}
        >
          <FormSelect
            label="Day"
            value={String(ride.day)}
            of={instance.days.map((_, day): [string, string] => [
              String(day),
              dayName(instance, day),
            ])}
            onPick={(day) => set({ day: Number(day) })}
          />
          <FormSelect
            label="Time"
            value={String(ride.from_min)}
            of={timesWith(ride.from_min)}
            onPick={(from_min) => set({ from_min: Number(from_min) })}
          />
          <FormSelect
            label="Rider"
            value={ride.person_id}
            of={instance.riders.map((one): [string, string] => [one.person_id, one.name])}
            onPick={(person_id) => set({ person_id })}
          />
          <FormSelect
            label="Where"
            value={ride.place_id}
            of={instance.places
              .filter(({ place_id }) => places.includes(place_id) || place_id === ride.place_id)
              .map((one): [string, string] => [one.place_id, one.name])}
            onPick={(place_id) => set({ place_id })}
          />
          <FormSelect
            label="For"
            value={String(ride.work)}
            of={works.map((one, work): [string, string] => [
              String(work),
              `${one.name ?? 'A ride'}, ${one.minutes} min`,
            ])}
            onPick={(work) =>
              set({
                work: Number(work),
                place_id: works[Number(work)]?.place_ids.includes(ride.place_id)
                  ? ride.place_id
                  : (works[Number(work)]?.place_ids[0] ?? ride.place_id),
              })
            }
          />
          <FormControlLabel
            control={
              <Switch
                checked={Boolean(taken.pinned)}
                onChange={(_, pinned) => setTaken({ ...taken, pinned })}
              />
            }
            label="Pinned: stays here when the week is planned anew"
            sx={{ minHeight: 48 }}
          />
        </Box>
        {rules && <BrokenList broken={rules.newly_broken.map(({ broken }) => broken)} />}
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 2 }}>
          {arranges && (
            <Button
              variant="contained"
              onClick={() => {
                onChange(tried);
                onClose();
              }}
              sx={{ minHeight: 56 }}
            >
              Put it there
            </Button>
          )}
          {arranges && (
            <Button
              onClick={() => {
                onChange(draft.filter((_, at) => at !== index));
                onClose();
              }}
              sx={{ minHeight: 56 }}
            >
              Take it off
            </Button>
          )}
          <Button onClick={onClose} sx={{ minHeight: 56, ml: 'auto' }}>
            {arranges ? 'Leave it' : 'Done'}
          </Button>
        </Box>
      </DialogContent>
    </Dialog>
  );
}

function timesWith(fromMin: number): [string, string][] {
  const all = Array.from({ length: (20 * 60) / stepMin }, (_, one) => 4 * 60 + one * stepMin);
  const minutes = all.includes(fromMin) ? all : [...all, fromMin].sort((a, b) => a - b);
  return minutes.map((one) => [String(one), clockOf(one)]);
}
