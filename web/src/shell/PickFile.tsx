import Button from '@mui/material/Button';
import { useRef } from 'react';

interface Props {
  label: string;
  /** Which files are offered first. */
  accept: string;
  disabled?: boolean;
  onPick: (file: File) => void;
}

/** A file of this device. The same one can be picked again once it was changed. */
export function PickFile({ label, accept, disabled, onPick }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button
        disabled={disabled}
        onClick={() => input.current?.click()}
        sx={{ mt: 1.5, minHeight: 56 }}
      >
        {label}
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        accept={accept}
        aria-label={label}
        onChange={({ target }) => {
          const file = target.files?.[0];
          target.value = '';
          if (file) onPick(file);
        }}
      />
    </>
  );
}
