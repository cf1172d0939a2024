import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { KeptRep } from '../../outbox/db';
import { sideWords } from '../../base/words/answers';
import { measureInWords } from '../../base/words/measures';
import type { Choice, Measure } from './faces';

interface Props {
  rep: KeptRep;
  choices: Choice[];
  onAnswer: (measure: Measure) => void;
  onClose: () => void;
}

const same = (one: Measure, other: Measure) => measureInWords(one) === measureInWords(other);

/** All answers as large buttons: for those that no slide reaches, and for hands that cannot slide. */
export function ChangeAnswer({ rep, choices, onAnswer, onClose }: Props) {
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>
        {rep.side === 'both' ? '' : `${sideWords[rep.side]}: `}what did the horse do?
      </DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1 }}>
        {choices.map(({ label, measure }) => (
          <Button
            key={label}
            variant={same(measure, rep.measure) ? 'contained' : 'outlined'}
            onClick={() => {
              if (!same(measure, rep.measure)) onAnswer(measure);
              onClose();
            }}
            sx={{ minHeight: 72, fontSize: '1.15rem' }}
          >
            {label}
          </Button>
        ))}
      </DialogContent>
    </Dialog>
  );
}
