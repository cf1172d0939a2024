import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { KeptRep } from '../queue/db';
import { answerWords, seconds, sideWords } from '../words/answers';
import type { Answer } from './hold';

interface Props {
  rep: KeptRep;
  onAnswer: (answer: Answer) => void;
  onClose: () => void;
}

/** All answers as large buttons: for those that no slide reaches, and for hands that cannot slide. */
export function ChangeAnswer({ rep, onAnswer, onClose }: Props) {
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>
        {sideWords[rep.side]}, {seconds(rep.measure.time_s)}: what did it do?
      </DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1 }}>
        {(Object.entries(answerWords) as [Answer, string][]).map(([answer, words]) => (
          <Button
            key={answer}
            variant={answer === rep.measure.answer ? 'contained' : 'outlined'}
            onClick={() => {
              if (answer !== rep.measure.answer) onAnswer(answer);
              onClose();
            }}
            sx={{ minHeight: 72, fontSize: '1.15rem' }}
          >
            {words}
          </Button>
        ))}
      </DialogContent>
    </Dialog>
  );
}
