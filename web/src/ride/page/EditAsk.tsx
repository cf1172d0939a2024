import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ladderQuery } from '../../data/ladder';
import type { Level } from '../../outbox/keep';
import type { TimelineAsk } from '../../outbox/timeline';
import { otherAnswers } from '../recorder/choices';
import { faceOf, type Asked, type Measure } from '../recorder/faces';
import { LevelPicker } from '../../ladder/LevelPicker';
import { sideWords } from '../../base/words/answers';
import { measureInWords } from '../../base/words/measures';

interface Props {
  ask: TimelineAsk;
  onTurn: (undone: boolean) => void;
  onAnswer: (measure: Measure) => void;
  onMove: (level: Level) => void;
  onClose: () => void;
}

/** Putting one ask right: another answer, another part of the ride, or taken back. */
export function EditAsk({ ask, onTurn, onAnswer, onMove, onClose }: Props) {
  const [moving, setMoving] = useState(false);
  const ladder = useQuery(ladderQuery);
  const level = ladder.data?.levels.find(
    ({ level: { skill, rung } }) => skill === ask.skill && rung === ask.rung,
  )?.level;
  const sx = { minHeight: 60, justifyContent: 'flex-start', textAlign: 'left' } as const;
  if (moving && level)
    return (
      <LevelPicker
        title="Which part does it belong to?"
        offers={(other) => fits(other, level)}
        onPick={onMove}
        onClose={onClose}
      />
    );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>
        {ask.side === 'both' ? '' : `${sideWords[ask.side]}: `}
        {measureInWords(ask.measure)}
      </DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1 }}>
        {ask.undone ? (
          <Button variant="contained" onClick={() => onTurn(false)} sx={sx}>
            Bring it back
          </Button>
        ) : (
          <>
            <Typography>{level?.name ?? ask.name}. What was it really?</Typography>
            {level &&
              answersOf(ask, level).map(({ label, measure }) => (
                <Button key={label} onClick={() => onAnswer(measure)} sx={sx}>
                  {label}
                </Button>
              ))}
            {level && (
              <Button variant="text" onClick={() => setMoving(true)} sx={sx}>
                It belongs to another part
              </Button>
            )}
            <Button variant="text" color="error" onClick={() => onTurn(true)} sx={sx}>
              Take it back
            </Button>
          </>
        )}
        <Button variant="text" onClick={onClose} sx={sx}>
          Leave it
        </Button>
      </DialogContent>
    </Dialog>
  );
}

/** Another level of the same measure and the same sides, so that the ask means the same there. */
const fits = (other: Asked, own: Asked) =>
  other.measure === own.measure &&
  other.sides === own.sides &&
  (other.skill !== own.skill || other.rung !== own.rung);

/** Every other answer the face has; with its usual settings where the ask does not say. */
function answersOf(ask: TimelineAsk, level: Asked) {
  const face = faceOf(level);
  const set = Object.fromEntries(face.settings(level).map(({ id, usual }) => [id, usual]));
  const same = measureInWords(ask.measure);
  return otherAnswers(face, ask, set).filter(({ measure }) => measureInWords(measure) !== same);
}
