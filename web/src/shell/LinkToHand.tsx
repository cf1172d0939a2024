import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRef, useState, type ReactNode } from 'react';

interface Props {
  address: string;
  /** For whom it is. */
  name: string;
  /** How long it works, and what else is to be known of it. */
  children: ReactNode;
}

/** A link, shown once: copied and handed on as people write each other anyway. */
export function LinkToHand({ address, name, children }: Props) {
  const [copied, setCopied] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const copy = async () => {
    // Without the right to the clipboard the text is marked, to be copied by hand.
    field.current?.select();
    await navigator.clipboard?.writeText(address).then(
      () => setCopied(true),
      () => undefined,
    );
  };
  return (
    <Box
      component="section"
      aria-label={`Link for ${name}`}
      sx={{ my: 2, maxWidth: 640, borderLeft: '6px solid', borderColor: 'secondary.main', pl: 2 }}
    >
      <Typography variant="h2">Send {name} this link</Typography>
      <Typography sx={{ mb: 1.5 }}>
        {children} It&apos;s shown only now; if it gets lost, make a new one.
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        <TextField
          label="Link"
          value={address}
          inputRef={field}
          sx={{ flex: '1 1 260px' }}
          slotProps={{ htmlInput: { readOnly: true } }}
        />
        <Button onClick={() => void copy()} sx={{ minHeight: 56, minWidth: 110 }}>
          {copied ? 'Copied' : 'Copy'}
        </Button>
      </Box>
    </Box>
  );
}
