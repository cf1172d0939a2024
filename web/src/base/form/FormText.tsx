import type { TextFieldProps } from '@mui/material/TextField';
import { TextBox } from './TextBox';

type Props = Omit<TextFieldProps, 'onChange' | 'value' | 'error'> & {
  becomes: string;
  value: string;
  onText: (text: string) => void;
  /** What does not fit. */
  wrong?: string;
};

/** A text of a form, with what does not fit under it. */
export function FormText({ onText, wrong, helperText, ...rest }: Props) {
  return (
    <TextBox
      fullWidth
      {...rest}
      error={wrong !== undefined}
      helperText={wrong ?? helperText}
      onChange={({ target }) => onText(target.value)}
    />
  );
}
