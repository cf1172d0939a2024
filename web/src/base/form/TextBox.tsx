import TextField, { type TextFieldProps } from '@mui/material/TextField';
import { count } from '../words/plain';

/** From here on the characters left are said. */
const NEAR = 40;

type Props = TextFieldProps & {
  /** Which text of the API it becomes, such as `NewCare/text`: its bound is this field's. */
  becomes: string;
  value: string;
};

/** A text as long as the API takes, and no longer. */
export function TextBox({ becomes, value, helperText, ...rest }: Props) {
  const most = __MOST_LETTERS__[becomes];
  if (most === undefined) throw new Error(`the API states no bound for ${becomes}`);
  const left = most - value.length;
  const leftInWords = `${count(left, 'character')} left`;
  return (
    <TextField
      {...rest}
      value={value}
      helperText={helperText ?? (left <= Math.min(NEAR, most / 4) ? leftInWords : undefined)}
      slotProps={{ htmlInput: { maxLength: most } }}
    />
  );
}
