import Box from '@mui/material/Box';

interface Props {
  label: string;
  on: boolean;
  onToggle: () => void;
}

/** Something that was so or not: a tap says it, another takes it back. */
export function Chip({ label, on, onToggle }: Props) {
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={on}
      onClick={onToggle}
      sx={{
        font: 'inherit',
        cursor: 'pointer',
        minHeight: 48,
        px: 2,
        border: '2px solid',
        borderColor: 'text.primary',
        borderRadius: '4px 18px 18px 4px',
        color: on ? 'primary.contrastText' : 'text.primary',
        bgcolor: on ? 'primary.main' : 'background.paper',
        fontWeight: on ? 700 : 400,
        '&:focus-visible': {
          outline: '3px solid',
          outlineColor: 'secondary.main',
          outlineOffset: 2,
        },
      }}
    >
      {on && '✓ '}
      {label}
    </Box>
  );
}
