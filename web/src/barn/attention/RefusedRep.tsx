import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../../base/api/client';
import type { KeptRep, KeptRide } from '../../outbox/db';
import { useWho } from '../../data/who';
import { sideWords } from '../../base/words/answers';
import { clockIn, dayIn, longDay } from '../../base/words/days';
import { measureInWords } from '../../base/words/measures';
import { Reason } from './Reason';

interface Props {
  rep: KeptRep;
  ride: KeptRide | undefined;
  levels: Schemas['LevelBrief'][];
  onLevel: (level: { skill: string; rung: string }) => void;
  onDrop: () => void;
}

/** An ask that the barn did not take: its level can be put right. */
export function RefusedRep({ rep, ride, levels, onLevel, onDrop }: Props) {
  const { time_zone } = useWho();
  const path = (level: { skill: string; rung: string }) => `${level.skill}/${level.rung}`;
  // What was measured can only be an ask of a level that is measured so.
  const fitting = levels.filter(
    ({ measure, sides }) =>
      measure === rep.measure.kind && (sides === 'both') === (rep.side === 'both'),
  );
  const own = fitting.find((level) => path(level) === path(rep));
  return (
    <Box component="li" sx={{ py: 2, borderTop: '2px solid', borderColor: 'text.primary' }}>
      <Typography variant="h2">
        {ride?.horseName || 'An ask'}, {own?.name ?? path(rep)}
      </Typography>
      <Typography>
        {sideWords[rep.side]}, {measureInWords(rep.measure)};{' '}
        {longDay(dayIn(time_zone, new Date(rep.askedAt)))} at {clockIn(time_zone, rep.askedAt)}
      </Typography>
      <Reason because={rep.refusedBecause} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mt: 1.5, alignItems: 'center' }}>
        <TextField
          select
          label="What was asked"
          value={own ? path(own) : ''}
          onChange={(event) => {
            const level = fitting.find((candidate) => path(candidate) === event.target.value);
            if (level) onLevel({ skill: level.skill, rung: level.rung });
          }}
          sx={{ minWidth: 280 }}
        >
          {fitting.map((level) => (
            <MenuItem key={path(level)} value={path(level)}>
              {level.name}
            </MenuItem>
          ))}
        </TextField>
        <Button onClick={onDrop} sx={{ minHeight: 56 }}>
          Delete the ask
        </Button>
      </Box>
    </Box>
  );
}
