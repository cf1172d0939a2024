import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Box from '@mui/material/Box';
import { useState } from 'react';
import type { Schemas } from '../api/client';
import { TextBox } from '../frame/TextBox';
import type { Rig } from '../queue/db';
import { rigWords } from '../words/states';

const kinds = Object.keys(rigWords) as Schemas['RigKind'][];

interface Props {
  rig: Rig | undefined;
  onPick: (rig: Rig) => void;
  onClose: () => void;
}

/** What the horse wears from now on. */
export function RigPick({ rig, onPick, onClose }: Props) {
  const [name, setName] = useState(rig?.name ?? '');
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>What is the horse ridden in?</DialogTitle>
      <DialogContent>
        <TextBox
          label="Its name, if it has one"
          becomes="RigFrom/name"
          value={name}
          onChange={({ target }) => setName(target.value)}
        />
        <Box sx={{ display: 'grid', gap: 0.75, mt: 1.5 }}>
          {kinds.map((kind) => (
            <Button
              key={kind}
              variant={rig?.kind === kind ? 'contained' : 'outlined'}
              onClick={() => onPick({ kind, name: name.trim() })}
              sx={{ minHeight: 64, fontSize: '1.1rem' }}
            >
              {rigWords[kind]}
            </Button>
          ))}
        </Box>
      </DialogContent>
    </Dialog>
  );
}
