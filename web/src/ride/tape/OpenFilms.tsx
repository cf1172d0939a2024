import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { filmClock, type OpenFilm } from './film';
import type { TapeSheet } from './marks';
import { openFilm } from './openFilm';

interface Props {
  sheet: TapeSheet;
  open: (OpenFilm | undefined)[];
  /** Takes a film in; what is wrong with it, if something is. */
  onOpen: (film: OpenFilm) => string | null;
  disabled: boolean;
}

/** Films from the disk, picked or dropped here. */
export function OpenFilms({ sheet, open, onOpen, disabled }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const missing = sheet.films.filter((_, index) => !open[index]);
  const full = open[0] !== undefined && open[1] !== undefined;
  const take = async (files: File[]) => {
    setBusy(true);
    setWrong(null);
    for (const file of files.slice(0, 2)) {
      try {
        const said = onOpen(await openFilm(file));
        if (said) setWrong(said);
      } catch (error) {
        setWrong(`${file.name}: ${error instanceof Error ? error.message : String(error)}`);
      }
    }
    setBusy(false);
  };
  if (full || disabled) return null;
  return (
    <Box
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void take([...event.dataTransfer.files]);
      }}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: 1.5,
        alignItems: 'center',
        ...(open.some(Boolean)
          ? {}
          : { border: '2px dashed', borderColor: 'text.secondary', p: 3, minHeight: 160 }),
      }}
    >
      <Button
        variant={open.some(Boolean) ? 'outlined' : 'contained'}
        disabled={busy}
        onClick={() => input.current?.click()}
        sx={{ minHeight: 56 }}
      >
        {busy ? 'Looking at it' : open.some(Boolean) ? 'Open a second film' : 'Open a film'}
      </Button>
      <Typography sx={{ flex: 1, minWidth: 220 }}>
        {missing.length > 0
          ? `Marked in ${missing.map(({ name, length_s }) => `${name} (${filmClock(length_s)})`).join(' and ')}: open it again to go on.`
          : open.some(Boolean)
            ? 'Of the same run, from another side.'
            : 'MP4 or WebM, one or two of the same run; or drop them here. They stay on this computer.'}
      </Typography>
      <input
        ref={input}
        type="file"
        multiple
        hidden
        accept="video/*"
        aria-label="Film file"
        onChange={({ target }) => {
          void take([...(target.files ?? [])]);
          target.value = '';
        }}
      />
      {wrong && (
        <Typography role="alert" sx={{ color: 'error.main', width: '100%' }}>
          {wrong}
        </Typography>
      )}
    </Box>
  );
}
