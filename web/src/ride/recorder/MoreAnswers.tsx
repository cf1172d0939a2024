import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { Choice, Measure } from './faces';

interface Props {
  choices: Choice[];
  onAnswer: (measure: Measure) => void;
  onClose: () => void;
}

/** The rarer answers of a face. */
export function MoreAnswers({ choices, onAnswer, onClose }: Props) {
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>What did the horse do?</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1 }}>
        {choices.map(({ label, measure }) => (
          <Button
            key={label}
            onClick={() => {
              onAnswer(measure);
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
