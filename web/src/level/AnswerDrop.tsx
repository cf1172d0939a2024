import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Schemas } from '../api/client';
import { TextBox } from '../frame/TextBox';
import { useAnswerDrop } from '../horse/changes';
import type { HorseLevel } from './queries';

/** Who looked at a side that went bad at once: the trainer's answer closes the caution. */
export function AnswerDrop({
  judged,
  level,
}: {
  judged: Schemas['JudgedLevel'];
  level: HorseLevel;
}) {
  const [open, setOpen] = useState(false);
  const dropped = judged.judgement.cautions.find(({ because }) => because === 'side_drop');
  if (dropped?.because !== 'side_drop') return null;
  return (
    <>
      <Button onClick={() => setOpen(true)}>Somebody looked</Button>
      {open && <Answer side={dropped.side} level={level} onClose={() => setOpen(false)} />}
    </>
  );
}

interface AnswerProps {
  side: Schemas['Side'];
  level: HorseLevel;
  onClose: () => void;
}

function Answer({ side, level, onClose }: AnswerProps) {
  const [text, setText] = useState('');
  const answer = useAnswerDrop(level.horseId);
  const keep = () =>
    answer.mutate(
      { level: { skill: level.skill, rung: level.rung }, side, text },
      { onSuccess: onClose },
    );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <Box
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <DialogTitle sx={{ fontFamily: 'inherit' }}>The {side} side was looked at</DialogTitle>
        <DialogContent>
          <Typography sx={{ mb: 1.5 }}>
            Who looked, and what came of it. Then you can go on; Cavesson keeps your words.
          </Typography>
          <TextBox
            label="Who looked, and what came of it"
            becomes="NewDropAnswer/text"
            value={text}
            onChange={(event) => setText(event.target.value)}
            multiline
            minRows={2}
            fullWidth
            required
            error={answer.isError}
            helperText={answer.error?.message}
          />
        </DialogContent>
        <DialogActions sx={{ p: 2 }}>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={answer.isPending}>
            Save
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
