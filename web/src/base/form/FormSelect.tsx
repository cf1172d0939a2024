import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';

interface Props<T extends string> {
  label: string;
  value: T;
  /** What can be picked, with its words. */
  of: readonly (readonly [T, string])[];
  onPick: (value: T) => void;
  wrong?: string;
  helperText?: string;
}

/** One of a few. */
export function FormSelect<T extends string>({
  label,
  value,
  of,
  onPick,
  wrong,
  helperText,
}: Props<T>) {
  return (
    <TextField
      select
      fullWidth
      label={label}
      value={value}
      error={wrong !== undefined}
      helperText={wrong ?? helperText}
      onChange={({ target }) => onPick(target.value as T)}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
    >
      {of.map(([one, words]) => (
        <MenuItem key={one} value={one} sx={{ minHeight: 48 }}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}
