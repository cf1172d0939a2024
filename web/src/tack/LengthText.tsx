import TextField from '@mui/material/TextField';

interface Props {
  label: string;
  value: string;
  onText: (text: string) => void;
  wrong?: string;
}

/** A length as a ruler says it, such as 4 1/2. */
export function LengthText({ label, value, onText, wrong }: Props) {
  return (
    <TextField
      fullWidth
      label={label}
      value={value}
      error={wrong !== undefined}
      helperText={wrong}
      autoComplete="off"
      onChange={({ target }) => onText(target.value)}
      slotProps={{ htmlInput: { maxLength: 12 } }}
    />
  );
}
