import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Schemas } from '../../base/api/client';
import { useAnswerDrop } from '../../data/horseChanges';
import type { HorseLevel } from '../../data/level';
import { SayDialog } from './SayDialog';

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
    <SayDialog
      title={`The ${side} side was looked at`}
      label="Who looked, and what came of it"
      becomes="NewDropAnswer/text"
      text={text}
      onText={setText}
      sending={answer}
      onSave={keep}
      onClose={onClose}
    >
      <Typography>
        Who looked, and what came of it. Then you can go on; Cavesson keeps your words.
      </Typography>
    </SayDialog>
  );
}
