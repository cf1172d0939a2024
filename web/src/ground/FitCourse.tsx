import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { memo, useState } from 'react';
import { calculateAnywhere } from '../base/core/anywhere';
import { calculateApart } from '../base/core/apart';
import { CoreBroke } from '../base/core/core';
import type { Input, Output } from '../base/core/core';
import { FormSelect } from '../base/form/FormSelect';
import { Figure } from './LayLists';
import type { BarrelPlan, Lay } from '../data/ground';
import { standard } from './barrelDraft';

interface Props {
  plan: BarrelPlan;
  lay: Lay;
  onPut: (plan: BarrelPlan) => void;
}

type Room = NonNullable<BarrelPlan['clearances']>;

const rooms: [keyof Room, string][] = [
  ['side_ft', 'Barrels to the fence'],
  ['behind_ft', 'Behind barrel 3'],
  ['end_ft', 'To stop in, behind the line'],
  ['track_ft', 'Track to the fence'],
  ['keep_off_ft', 'Track to what to keep off'],
];

/** In a worker of its own; where the core is missing, by the server. */
async function searched(signal: AbortSignal, input: Input<'fit-course'>) {
  try {
    return await calculateApart('fit-course', input, signal);
  } catch (error) {
    if (!(error instanceof CoreBroke)) throw error;
    return calculateAnywhere('fit-course', input);
  }
}

/** The largest course the place has room for, found in the page, and that no larger one fits. */
export const FitCourse = memo(function FitCourse({ plan, lay, onPut }: Props) {
  const [step, setStep] = useState('free');
  const [said, setSaid] = useState<Output<'fit-course'>>();
  const [wrong, setWrong] = useState<string>();
  const [looking, setLooking] = useState<AbortController>();
  const room = plan.clearances as Room;
  const look = async () => {
    const stops = new AbortController();
    setLooking(stops);
    setWrong(undefined);
    try {
      const found = await searched(stops.signal, {
        outline: lay.outline,
        keep_off: (lay.keep_off ?? []).map(({ outline }) => outline),
        clearances: room,
        course: standard,
        first: plan.first,
        pockets: plan.pockets,
        step_ft: step === 'free' ? null : Number(step),
      });
      setSaid(found);
      if (found.course && found.origin) {
        const first = found.mirrored ? (plan.first === 'left' ? 'right' : 'left') : plan.first;
        onPut({
          ...plan,
          first,
          measures: found.course,
          placing: { origin: found.origin, rotation_deg: found.rotation_deg ?? 0 },
          moved: [
            [0, 0],
            [0, 0],
            [0, 0],
          ],
        });
      }
    } catch (error) {
      if (!stops.signal.aborted) setWrong(error instanceof Error ? error.message : String(error));
    } finally {
      setLooking(undefined);
    }
  };
  return (
    <Box component="section" aria-labelledby="fit-heading">
      <Typography variant="h3" component="h2" id="fit-heading">
        Fit it in
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, mt: 1.5, alignItems: 'stretch' }}>
        <Box sx={{ flex: 1 }}>
          <FormSelect
            label="Shrinks"
            value={step}
            of={[
              ['free', 'As little as need be'],
              ['5', '5 ft at a time'],
              ['10', '10 ft at a time'],
            ]}
            onPick={setStep}
          />
        </Box>
        {looking ? (
          <Button onClick={() => looking.abort()}>Looking… Stop</Button>
        ) : (
          <Button variant="contained" onClick={() => void look()}>
            Fit the largest
          </Button>
        )}
      </Box>
      <Box aria-live="polite">
        {said?.says.map((says) => (
          <Typography key={says} sx={{ mt: 1 }}>
            {says}
          </Typography>
        ))}
        {said && said.proof.boxes > 0 && (
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            {said.proof.boxes.toLocaleString('en-US')} sets of places, turns and sizes looked at.
          </Typography>
        )}
        {wrong && (
          <Typography role="alert" sx={{ color: 'error.main', mt: 1 }}>
            {wrong}
          </Typography>
        )}
      </Box>
      <details>
        <summary>Room to keep</summary>
        <Box sx={{ display: 'grid', gap: 1.5, mt: 1.5 }}>
          {rooms.map(([field, label]) => (
            <Figure
              key={field}
              label={label}
              feet={room[field] ?? 0}
              onFeet={(feet) =>
                onPut({ ...plan, clearances: { ...room, [field]: Math.max(0, feet) } })
              }
            />
          ))}
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            Rule books print 18, 36 and 45 ft; some 15 and 30. Keep what your horse needs to stop.
          </Typography>
        </Box>
      </details>
    </Box>
  );
});
