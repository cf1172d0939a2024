import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

interface Props {
  /** What the form is, for those who do not see it. */
  label: string;
  save: string;
  onSave: () => void;
  saving: boolean;
  /** What is said of the whole. */
  wrong?: string;
  /** Leaves without saving. */
  onCancel?: () => void;
  children: ReactNode;
}

/** A form one column wide: it fits a phone, and reads from the top down. */
export function FormFrame({ label, save, onSave, saving, wrong, onCancel, children }: Props) {
  return (
    <Box
      component="form"
      noValidate
      aria-label={label}
      onSubmit={(event) => {
        event.preventDefault();
        onSave();
      }}
      sx={{ display: 'grid', gap: 2, maxWidth: 560, mt: 2 }}
    >
      {children}
      <Typography role="alert" sx={{ color: 'error.main', '&:empty': { display: 'none' } }}>
        {wrong}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1.5 }}>
        <Button
          type="submit"
          variant="contained"
          disabled={saving}
          sx={{ minHeight: 56, minWidth: 150 }}
        >
          {save}
        </Button>
        {onCancel && (
          <Button onClick={onCancel} sx={{ minHeight: 56 }}>
            Cancel
          </Button>
        )}
      </Box>
    </Box>
  );
}
