import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Schemas } from '../../base/api/client';
import { Chip } from '../../shell/Chip';
import { markWords } from '../../base/words/states';
import type { useChips } from './useChips';
import type { Sex } from '../../base/words/horse';

type Chips = ReturnType<typeof useChips>;
const marks = Object.keys(markWords) as Schemas['RideMark'][];

const row = { display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1 };

/** What made the ride unlike the others. */
export function RideMarks({ chips, sex }: { chips: Chips; sex: Sex }) {
  const offered = marks.filter((mark) => mark !== 'in_season' || sex === 'mare');
  return (
    <Box component="section" aria-label="Anything different today" sx={{ mt: 3 }}>
      <Typography variant="h3">Anything different today?</Typography>
      <Box sx={row}>
        {offered.map((mark) => (
          <Chip
            key={mark}
            label={markWords[mark]}
            on={chips.marks.includes(mark)}
            onToggle={() => void chips.toggleMark(mark)}
          />
        ))}
      </Box>
    </Box>
  );
}

const shownAtFirst = 8;

/** Faults seen in one part of the ride. */
export function BlockFaults({ block, chips }: { block: Schemas['RideBlock']; chips: Chips }) {
  const [all, setAll] = useState(false);
  const { skill, rung } = block.level;
  const isOn = (fault: string) =>
    chips.faults.some((chip) => chip.fault === fault && chip.skill === skill && chip.rung === rung);
  const shown = block.may_show.filter(
    ({ fault }, index) => all || index < shownAtFirst || isOn(fault),
  );
  return (
    <Box component="section" aria-label={`Faults seen in ${block.level.name}`} sx={{ mt: 2 }}>
      <Typography variant="h3">What went wrong?</Typography>
      <Box sx={row}>
        {shown.map(({ fault, name }) => (
          <Chip
            key={fault}
            label={name}
            on={isOn(fault)}
            onToggle={() => void chips.toggleFault({ skill, rung, fault })}
          />
        ))}
        {!all && shown.length < block.may_show.length && (
          <Button variant="text" onClick={() => setAll(true)}>
            More
          </Button>
        )}
      </Box>
    </Box>
  );
}
