import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

interface Props {
  children: ReactNode;
  onTap: () => void;
  disabled?: boolean;
  /** The one that is touched most. */
  large?: boolean;
  /** Something that is so or not. */
  pressed?: boolean;
  keyed?: string;
  /** What it is called where a sign stands on it. */
  label?: string;
  /** It takes the whole row of its grid. */
  wide?: boolean;
}

/** A target of the recorder, for a thumb in a glove. */
export function FaceButton({
  children,
  onTap,
  disabled,
  large = false,
  pressed,
  keyed,
  label,
  wide,
}: Props) {
  return (
    <Box
      component="button"
      type="button"
      disabled={disabled}
      onClick={onTap}
      aria-pressed={pressed}
      aria-label={label}
      aria-keyshortcuts={keyed}
      sx={{
        gridColumn: wide ? '1 / -1' : undefined,
        minHeight: 72,
        minWidth: 72,
        p: 0.5,
        font: 'inherit',
        fontSize: large ? '1.5rem' : '1.1rem',
        fontWeight: 700,
        lineHeight: 1.15,
        color: pressed ? 'background.default' : 'text.primary',
        bgcolor: pressed ? 'text.primary' : 'background.paper',
        border: '1px solid',
        borderColor: 'text.primary',
        borderWidth: large ? '3px' : '1px',
        touchAction: 'manipulation',
        '&:active': { bgcolor: 'text.primary', color: 'background.default' },
        '&:disabled': { opacity: 0.45 },
      }}
    >
      {children}
    </Box>
  );
}
