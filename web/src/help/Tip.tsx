import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { save } from '../shell/save';
import { svgFile } from './svgFile';
import { tips, type Picture } from './tips';

/** How the picture beside it is read, closed until somebody asks; and the picture as a file. */
export function Tip({ of }: { of: Picture }) {
  const place = useRef<HTMLDetailsElement>(null);
  const [open, setOpen] = useState(false);
  const take = () => {
    const title = document.querySelector('h1')?.textContent ?? document.title;
    const beside = place.current?.parentElement;
    const file = beside && svgFile(beside, `${title}: ${of}`);
    if (file) save(file, `${title} ${of}`.replace(/[^\p{L}\p{N}]+/gu, '-') + '.svg');
  };
  return (
    <Box
      component="details"
      ref={place}
      onToggle={() => setOpen(place.current?.open ?? false)}
      sx={{ maxWidth: 680, '@media print': { display: 'none' } }}
    >
      <Box
        component="summary"
        sx={{ cursor: 'pointer', minHeight: 44, py: 1.25, color: 'text.secondary' }}
      >
        How to read this
      </Box>
      {open && (
        <>
          <Typography>{tips[of]}</Typography>
          <Button onClick={take} sx={{ my: 1 }}>
            Save the picture
          </Button>
        </>
      )}
    </Box>
  );
}
