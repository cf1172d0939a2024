import FormControlLabel from '@mui/material/FormControlLabel';
import Box from '@mui/material/Box';
import Switch from '@mui/material/Switch';
import { Chip } from '../../shell/Chip';
import { Section } from '../../shell/Section';
import { turnRound, useIsUpsideDown } from '../../ride/recorder/upsideDown';
import { keysOn, turnKeys } from '../../ride/recorder/keysOn';
import { useLight } from '../../base/theme/light';
import type { Light } from '../../base/theme/theme';
import { chooseHours24, useHours24 } from '../../base/words/clockSetting';
import { useState } from 'react';

const lights: [Light, string][] = [
  ['day', 'Day'],
  ['evening', 'Evening, dark'],
  ['sun', 'Sun, highest contrast'],
];

/** How it is seen, and how it is typed. */
export function Screen() {
  const { light, choose } = useLight();
  const is24 = useHours24();
  const turned = useIsUpsideDown();
  const [keys, setKeys] = useState(keysOn);
  const rows: [string, boolean, (next: boolean) => void][] = [
    ['24-hour clock', is24, chooseHours24],
    ['Recorder turned round, for a helper across the rail', turned, turnRound],
    [
      'Single keys record',
      keys,
      (next) => {
        turnKeys(next);
        setKeys(next);
      },
    ],
  ];
  return (
    <Section title="Screen and keys">
      <Box
        role="group"
        aria-label="Light"
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mb: 1 }}
      >
        {lights.map(([value, label]) => (
          <Chip key={value} label={label} on={light === value} onToggle={() => choose(value)} />
        ))}
      </Box>
      {rows.map(([label, on, turn]) => (
        <Box key={label}>
          <FormControlLabel
            sx={{ minHeight: 48 }}
            control={<Switch checked={on} onChange={(_, next) => turn(next)} />}
            label={label}
          />
        </Box>
      ))}
    </Section>
  );
}
