import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { ReactNode } from 'react';
import { TextBox } from '../../base/form/TextBox';

interface Props {
  title: string;
  /** What stands above the words. */
  children: ReactNode;
  label: string;
  /** The field of the interface that the words become. */
  becomes: string;
  text: string;
  onText: (text: string) => void;
  /** What is sent, as it goes. */
  sending: { isPending: boolean; isError: boolean; error: { message: string } | null };
  onSave: () => void;
  onClose: () => void;
}

/** A trainer's word on a level, with the reason beside it. */
export function SayDialog({
  title,
  children,
  label,
  becomes,
  text,
  onText,
  sending,
  onSave,
  onClose,
}: Props) {
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <Box
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          onSave();
        }}
      >
        <DialogTitle sx={{ fontFamily: 'inherit' }}>{title}</DialogTitle>
        <DialogContent>
          {children}
          <TextBox
            label={label}
            becomes={becomes}
            value={text}
            onChange={(event) => onText(event.target.value)}
            multiline
            minRows={2}
            fullWidth
            required
            error={sending.isError}
            helperText={sending.error?.message}
            sx={{ mt: 1.5 }}
          />
        </DialogContent>
        <DialogActions sx={{ p: 2 }}>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={sending.isPending}>
            Save
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
