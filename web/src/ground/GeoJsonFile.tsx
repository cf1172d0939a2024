import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { calculateAnywhere } from '../base/core/anywhere';
import { CoreRefusal } from '../base/core/core';
import type { Lay } from '../data/ground';

const most = 200_000;

interface Props {
  lay: Lay;
  onRead: (lay: Lay) => void;
}

/** A place from a GeoJSON file, and to one. */
export function GeoJsonFile({ lay, onRead }: Props) {
  const [wrong, setWrong] = useState<string>();
  const read = async (file: File) => {
    setWrong(undefined);
    if (file.size > most) {
      setWrong(`The file is larger than ${most / 1000} kB; a place takes a few.`);
      return;
    }
    try {
      const said = await calculateAnywhere('lay', { geojson: await file.text() });
      onRead(said.lay);
    } catch (error) {
      setWrong(
        error instanceof CoreRefusal
          ? `This file can't be used: ${error.error.detail}`
          : String(error),
      );
    }
  };
  const write = async () => {
    setWrong(undefined);
    try {
      const { geojson } = await calculateAnywhere('lay', { lay });
      const link = document.createElement('a');
      link.href = URL.createObjectURL(new Blob([geojson], { type: 'application/geo+json' }));
      link.download = 'place.geojson';
      link.click();
      URL.revokeObjectURL(link.href);
    } catch (error) {
      setWrong(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Box sx={{ borderTop: '1px solid', borderColor: 'divider', pt: 1.5, mt: 1 }}>
      <Typography variant="h3" component="h2">
        GeoJSON
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1 }}>
        <Button component="label">
          Read a file
          <input
            type="file"
            accept=".geojson,.json,application/geo+json"
            aria-label="GeoJSON file"
            style={{ position: 'absolute', width: 1, height: 1, opacity: 0 }}
            onChange={({ target }) => {
              const file = target.files?.[0];
              if (file) void read(file);
              target.value = '';
            }}
          />
        </Button>
        <Button disabled={lay.outline.length < 3} onClick={() => void write()}>
          Save to a file
        </Button>
      </Box>
      {wrong && (
        <Typography role="alert" sx={{ color: 'error.main', mt: 1 }}>
          {wrong}
        </Typography>
      )}
    </Box>
  );
}
