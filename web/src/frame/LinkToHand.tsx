import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import type { Schemas } from '../api/client';
import { useWho } from '../session/who';
import { dayAndClockIn } from '../words/days';

/** A link, shown once: copied and handed on as people write each other anyway. */
export function LinkToHand({ link, name }: { link: Schemas['MadeLink']; name: string }) {
  const { time_zone } = useWho();
  const [copied, setCopied] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const address = `${location.origin}/come-in#${link.word}`;
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
        It works once, until {dayAndClockIn(time_zone, link.expires_at)}. It&apos;s shown only now;
        if it gets lost, make a new one.
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
