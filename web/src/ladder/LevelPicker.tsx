import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { QueryState } from '../shell/QueryState';
import { ladderQuery, type NamedLevel, type ShownLadder } from '../data/ladder';
import { levelsNamed } from './levelsNamed';

interface Props {
  /** What is asked for, as the dialog's title. */
  title?: string;
  /** The levels that are offered; all where left out. */
  offers?: (level: NamedLevel) => boolean;
  onPick: (level: NamedLevel) => void;
  onClose: () => void;
}

/** Any level of the ladder, found by a few letters or by its track. */
export function LevelPicker({
  title = 'What do you ask next?',
  offers = () => true,
  onPick,
  onClose,
}: Props) {
  const small = useMediaQuery('(max-width: 700px)');
  const ladder = useQuery(ladderQuery);
  return (
    <Dialog open onClose={onClose} fullScreen={small} fullWidth maxWidth="sm">
      <DialogTitle sx={{ display: 'flex', alignItems: 'center' }}>
        <Box component="span" sx={{ flex: 1 }}>
          {title}
        </Box>
        <Button variant="text" onClick={onClose} sx={{ minHeight: 56 }}>
          Close
        </Button>
      </DialogTitle>
      <DialogContent>
        <QueryState query={ladder}>
          {(data) => <Levels ladder={offered(data, offers)} onPick={onPick} />}
        </QueryState>
      </DialogContent>
    </Dialog>
  );
}

const offered = (ladder: ShownLadder, offers: NonNullable<Props['offers']>): ShownLadder => ({
  ...ladder,
  levels: ladder.levels.filter(({ level }) => offers(level)),
});

function Levels({ ladder, onPick }: { ladder: ShownLadder; onPick: Props['onPick'] }) {
  const [typed, setTyped] = useState('');
  const found = levelsNamed(ladder, typed);
  return (
    <>
      <TextField
        fullWidth
        label="A few letters of it"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        sx={{ mt: 1 }}
      />
      {found.length === 0 && (
        <Typography role="status" sx={{ mt: 2 }}>
          Nothing on the ladder is called that.
        </Typography>
      )}
      {found.map(({ track, levels }) => (
        <Box component="section" key={track} aria-label={track} sx={{ mt: 2 }}>
          <Typography variant="h3">{track}</Typography>
          <Box sx={{ display: 'grid', gap: 0.5, mt: 0.5 }}>
            {levels.map((level) => (
              <Button
                key={`${level.skill}/${level.rung}`}
                onClick={() => onPick(level)}
                sx={{ minHeight: 60, justifyContent: 'flex-start', textAlign: 'left' }}
              >
                {level.name}
              </Button>
            ))}
          </Box>
        </Box>
      ))}
    </>
  );
}
