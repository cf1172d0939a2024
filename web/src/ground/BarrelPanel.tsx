import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import { FormSelect } from '../base/form/FormSelect';
import { OneSlider } from '../shell/OneSlider';
import { tapeInWords } from '../base/words/ground';
import { count } from '../base/words/plain';
import { isMoved, pocketChoices, withPocketFeet } from './barrelDraft';
import { Figure } from './LayLists';
import type { BarrelPlan } from '../data/ground';

interface Props {
  plan: BarrelPlan;
  /** One stride at the gait; unknown until the core answered. */
  usualStride?: number;
  picked: number;
  onPick: (barrel: number) => void;
  onPut: (plan: BarrelPlan) => void;
  onSlide: (plan: BarrelPlan) => void;
  onSettle: () => void;
}

const gaits: [BarrelPlan['gait'], string][] = [
  ['walk', 'Walk'],
  ['trot', 'Trot'],
  ['lope', 'Lope'],
  ['gallop', 'At a run'],
];

const spotNames = ['Going in', 'At the back', 'Coming out'];

/** The measures of a course, how it is ridden, and the pockets of the barrel that is picked. */
export const BarrelPanel = memo(function BarrelPanel(props: Props) {
  const { plan, usualStride, picked, onPick, onPut, onSlide, onSettle } = props;
  const { measures } = plan;
  const measure = (change: Partial<BarrelPlan['measures']>) =>
    onPut({ ...plan, measures: { ...measures, ...change } });
  const choice = pocketChoices.findIndex(([, pocket]) =>
    plan.pockets.every((one) => one.every((feet, at) => feet === pocket[at])),
  );
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        <FormSelect
          label="First barrel"
          value={plan.first}
          of={[
            ['right', 'Right'],
            ['left', 'Left'],
          ]}
          onPick={(first) => onPut({ ...plan, first })}
        />
        <FormSelect
          label="Ridden at"
          value={plan.gait}
          of={gaits}
          onPick={(gait) => onPut({ ...plan, gait, stride_ft: null })}
        />
        <FormSelect
          label="The horse"
          value={plan.rides_up ?? 'pushed'}
          of={[
            ['pushed', 'Needs pushing: sit at the barrel'],
            ['free', 'Runs free: sit a stride before'],
          ]}
          onPick={(rides_up) => onPut({ ...plan, rides_up })}
        />
        <FormSelect
          label="Begin to rate"
          value={String(plan.rate_strides)}
          of={[0, 1, 2, 3, 4, 5, 6].map((n): [string, string] => [
            String(n),
            `${count(n, 'stride')} before`,
          ])}
          onPick={(strides) => onPut({ ...plan, rate_strides: Number(strides) })}
        />
      </Box>
      <FormSelect
        label="Pockets at all barrels"
        value={String(choice)}
        of={[
          ...(choice < 0 ? [['-1', 'Each as it is set'] as [string, string]] : []),
          ...pocketChoices.map(([words], index): [string, string] => [String(index), words]),
        ]}
        onPick={(index) => {
          const pocket = pocketChoices[Number(index)]?.[1];
          if (pocket) onPut({ ...plan, pockets: [pocket, pocket, pocket] });
        }}
      />
      <Box role="group" aria-label="Pockets of one barrel">
        <Box sx={{ display: 'flex', gap: 1 }}>
          {[0, 1, 2].map((barrel) => (
            <Button
              key={barrel}
              aria-pressed={picked === barrel}
              variant={picked === barrel ? 'contained' : 'outlined'}
              onClick={() => onPick(barrel)}
              sx={{ flex: 1 }}
            >
              Barrel {barrel + 1}
            </Button>
          ))}
        </Box>
        {spotNames.map((name, spot) => {
          const feet = plan.pockets[picked]?.[spot] ?? 4;
          return (
            <OneSlider
              key={name}
              label={`${name}, barrel ${picked + 1}`}
              said={`${name}: ${tapeInWords(feet)}`}
              value={feet}
              min={1}
              max={14}
              step={0.25}
              onChange={(_, to) => onSlide(withPocketFeet(plan, picked, spot, to))}
              onChangeCommitted={onSettle}
            />
          );
        })}
      </Box>
      <details>
        <summary>Measures of the course, the horse&apos;s stride</summary>
        <Box sx={{ display: 'grid', gap: 1.5, mt: 1.5 }}>
          <Figure
            label="Barrel 1 to 2"
            feet={measures.between_1_2_ft}
            onFeet={(between_1_2_ft) => measure({ between_1_2_ft })}
          />
          <Figure
            label="Barrels 1 and 2 to 3"
            feet={measures.between_1_3_ft}
            onFeet={(between_1_3_ft) => measure({ between_1_3_ft })}
          />
          <Figure
            label="Score line to barrels"
            feet={measures.score_line_ft}
            onFeet={(score_line_ft) => measure({ score_line_ft })}
          />
          <Figure
            label={plan.stride_ft == null ? 'One stride, usual' : 'One stride'}
            feet={plan.stride_ft ?? usualStride ?? 0}
            onFeet={(stride_ft) => onPut({ ...plan, stride_ft: stride_ft > 0 ? stride_ft : null })}
          />
          {isMoved(plan) && (
            <Button
              onClick={() =>
                onPut({
                  ...plan,
                  moved: [
                    [0, 0],
                    [0, 0],
                    [0, 0],
                  ],
                })
              }
            >
              Put moved barrels back
            </Button>
          )}
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            The standard course is 90, 105 and 60 ft, as the rule books print it. A pocket is from
            the middle of the barrel to the horse&apos;s track.
          </Typography>
        </Box>
      </details>
    </Box>
  );
});
