import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Setting } from './faces';
import { useKey } from './useKey';

interface Props {
  setting: Setting;
  value: string;
  onValue: (value: string) => void;
  /** Its steps answer to + and −. */
  keyed: boolean;
}

/** Something that is set once, such as the weight in the hand, and changed by one tap. */
export function SettingBar({ setting: { name, values }, value, onValue, keyed }: Props) {
  const at = values.findIndex(([known]) => known === value);
  const [less, more] = [values[at - 1], values[at + 1]];
  useKey('+', () => keyed && more && onValue(more[0]));
  useKey('-', () => keyed && less && onValue(less[0]));
  return (
    <Box
      role="group"
      aria-label={name}
      sx={{
        display: 'flex',
        alignItems: 'center',
        px: 1,
        gap: 1,
        borderBottom: '1px solid',
        borderColor: 'text.primary',
      }}
    >
      <Step label={`${name}: less`} to={less} sign="−" onValue={onValue} />
      <Box sx={{ flex: 1, textAlign: 'center', minWidth: 0 }}>
        <Typography sx={{ fontSize: '0.9rem', lineHeight: 1.2 }}>{name}</Typography>
        <Typography
          component="output"
          aria-live="polite"
          sx={{ fontSize: '1.25rem', fontWeight: 700, lineHeight: 1.15 }}
        >
          {values[at]?.[1]}
        </Typography>
        {values.length <= 8 && <Marks many={values.length} at={at} />}
      </Box>
      <Step label={`${name}: more`} to={more} sign="+" onValue={onValue} />
    </Box>
  );
}

function Marks({ many, at }: { many: number; at: number }) {
  return (
    <Box aria-hidden="true" sx={{ display: 'flex', justifyContent: 'center', gap: 0.5, mt: 0.5 }}>
      {Array.from({ length: many }, (_, index) => (
        <Box
          key={index}
          sx={{
            width: 18,
            height: 8,
            border: '1.5px solid',
            bgcolor: index <= at ? 'text.primary' : 'transparent',
          }}
        />
      ))}
    </Box>
  );
}

interface StepProps {
  label: string;
  to: [string, string] | undefined;
  sign: string;
  onValue: (value: string) => void;
}

function Step({ label, to, sign, onValue }: StepProps) {
  return (
    <Button
      variant="text"
      aria-label={label}
      disabled={!to}
      onClick={() => to && onValue(to[0])}
      sx={{ minWidth: 88, minHeight: 76, fontSize: '2rem', color: 'text.primary' }}
    >
      {sign}
    </Button>
  );
}
