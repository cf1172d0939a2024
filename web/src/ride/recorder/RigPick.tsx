import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Schemas } from '../../base/api/client';
import { TextBox } from '../../base/form/TextBox';
import type { Rig } from '../../outbox/db';
import { rigWords } from '../../base/words/states';
import type { HorseTack } from '../../data/tackOfHorse';
import { rigKind, short } from './rigNamed';

const kinds = Object.keys(rigWords) as Schemas['RigKind'][];

interface Props {
  rig: Rig | undefined;
  /** What is on the shelf for this horse; none while it was never fetched here. */
  tack: HorseTack | undefined;
  onPick: (rig: Rig) => void;
  onClose: () => void;
}

const buttonSx = {
  minHeight: 64,
  fontSize: '1.1rem',
  justifyContent: 'flex-start',
  textAlign: 'left',
} as const;

/** What the horse wears from now on. Who is not cleared for a piece is told why. */
export function RigPick({ rig, tack, onPick, onClose }: Props) {
  const [name, setName] = useState(rig?.gear_id ? '' : (rig?.name ?? ''));
  const stoppedOf = (kind: Rig['kind']) =>
    tack?.kinds.find((known) => known.kind === kind)?.stopped ?? [];
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>What is the horse ridden in?</DialogTitle>
      <DialogContent>
        <Box sx={{ display: 'grid', gap: 0.75 }}>
          {tack?.pieces.map((piece) => {
            const kind = rigKind(piece.kind);
            return (
              kind && (
                <One
                  key={piece.gear_id}
                  label={piece.name}
                  about={`${rigWords[kind]}${piece.worn ? ', what it wears' : ''}`}
                  on={rig?.gear_id === piece.gear_id}
                  stopped={piece.stopped}
                  onPick={() => onPick({ kind, name: short(piece.name), gear_id: piece.gear_id })}
                />
              )
            );
          })}
        </Box>
        <Typography variant="h3" sx={{ mt: 2 }}>
          {tack?.pieces.length ? 'Not on the shelf' : 'By kind'}
        </Typography>
        <TextBox
          label="Its name, if it has one"
          becomes="RigFrom/name"
          value={name}
          onChange={({ target }) => setName(target.value)}
          sx={{ mt: 1, width: '100%' }}
        />
        <Box sx={{ display: 'grid', gap: 0.75, mt: 1.5 }}>
          {kinds.map((kind) => (
            <One
              key={kind}
              label={rigWords[kind]}
              on={rig?.kind === kind && !rig.gear_id}
              stopped={stoppedOf(kind)}
              onPick={() => onPick({ kind, name: name.trim() })}
            />
          ))}
        </Box>
      </DialogContent>
    </Dialog>
  );
}

interface OneProps {
  label: string;
  about?: string;
  on: boolean;
  stopped: string[];
  onPick: () => void;
}

function One({ label, about, on, stopped, onPick }: OneProps) {
  return (
    <Box>
      <Button
        fullWidth
        variant={on ? 'contained' : 'outlined'}
        disabled={stopped.length > 0}
        onClick={onPick}
        sx={buttonSx}
      >
        {label}
        {about && (
          <Box component="span" sx={{ ml: 1, fontSize: '0.95rem', fontWeight: 400 }}>
            {about}
          </Box>
        )}
      </Button>
      {stopped.map((why) => (
        <Typography key={why} variant="body2" sx={{ mt: 0.25 }}>
          {why}
        </Typography>
      ))}
    </Box>
  );
}
