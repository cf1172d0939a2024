import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../base/api/client';
import { FormSelect } from '../../base/form/FormSelect';
import { OneSlider } from '../../shell/OneSlider';
import { Section } from '../../shell/Section';
import { count } from '../../base/words/plain';
import type { RoadInput } from '../../data/road';
import { levelKey, mostLater, planned, type WhatIf } from './whatIf';

interface Props {
  asked: RoadInput;
  whatIf: WhatIf;
  /** The chain as planned: what may be worked on first. */
  chain: Schemas['OnChain'][];
  asPlanned: boolean;
  onMoving: (moving: boolean) => void;
  onWhatIf: (whatIf: WhatIf) => void;
}

/** What if: rides, how many of them come about, a later date, one thing first. */
export function WhatIfForm({ asked, whatIf, chain, asPlanned, onMoving, onWhatIf }: Props) {
  const usual = planned(asked);
  const slider = (change: (value: number) => Partial<WhatIf>) => ({
    onChange: (_: Event, value: number) => {
      onMoving(true);
      onWhatIf({ ...whatIf, ...change(value) });
    },
    onChangeCommitted: () => onMoving(false),
  });
  return (
    <Section
      title="What if"
      intro="Move something and look at the road. Nothing of it is kept in the plan."
    >
      <OneSlider
        label="Rides a week"
        value={whatIf.ridesAWeek}
        said={`${count(whatIf.ridesAWeek, 'ride')} a week`}
        note={whatIf.ridesAWeek !== usual.ridesAWeek ? `planned: ${usual.ridesAWeek}` : ''}
        min={0.5}
        max={6}
        step={0.5}
        {...slider((ridesAWeek) => ({ ridesAWeek }))}
      />
      {asked.not_to_be_pushed && whatIf.ridesAWeek > usual.ridesAWeek && (
        <Typography role="note" sx={{ borderLeft: '6px solid', pl: 1.5, mb: 1 }}>
          More rides push a young or late horse. Leave it, or ask your vet first.
        </Typography>
      )}
      <OneSlider
        label="Rides that come about"
        value={whatIf.keptPct}
        said={`${whatIf.keptPct} of 100 planned rides come about`}
        note={whatIf.keptPct !== usual.keptPct ? `lately: ${usual.keptPct}` : ''}
        min={10}
        max={100}
        step={5}
        {...slider((keptPct) => ({ keptPct }))}
      />
      <OneSlider
        label="Weeks later"
        value={whatIf.weeksLater}
        said={
          whatIf.weeksLater === 0
            ? 'The dates as they are'
            : `Every date ${count(whatIf.weeksLater, 'week')} later`
        }
        min={0}
        max={mostLater}
        step={1}
        {...slider((weeksLater) => ({ weeksLater }))}
      />
      <Box sx={{ maxWidth: 460, mt: 2 }}>
        <FormSelect
          label="Work on first"
          value={whatIf.first}
          of={[
            ['', 'What the road says'],
            ...chain.map(({ level, name }): [string, string] => [levelKey(level), name]),
          ]}
          onPick={(first) => onWhatIf({ ...whatIf, first })}
        />
      </Box>
      <Button disabled={asPlanned} onClick={() => onWhatIf(usual)} sx={{ mt: 1.5, minHeight: 52 }}>
        Back to the plan
      </Button>
    </Section>
  );
}
