import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Schemas } from '../base/api/client';
import { Links } from './Links';
import { Notes } from './Notes';
import { Reports } from './Reports';

interface Props {
  horse: Schemas['OwnersHorse'];
  on: string;
  notes: Schemas['NoteShown'][];
}

/** What a trainer does for an owner: reports, notes, links. Below it stands what the owner sees. */
export function ForTheOwner({ horse, on, notes }: Props) {
  return (
    <Box
      component="section"
      aria-label="For the owner"
      sx={{
        my: 2,
        p: 2,
        bgcolor: 'background.paper',
        border: '2px solid',
        borderColor: 'text.primary',
        borderRadius: '4px 18px 18px 4px',
        '@media print': { display: 'none' },
      }}
    >
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'repeat(3, minmax(0, 1fr))' },
          columnGap: 4,
          rowGap: 2,
        }}
      >
        <Reports horseId={horse.horse_id} on={on} />
        <Notes horseId={horse.horse_id} on={on} notes={notes} />
        <Links horse={horse} on={on} />
      </Box>
      <Typography sx={{ mt: 1.5, color: 'text.secondary' }}>
        The owner sees what stands below, and nothing of other horses or people.
      </Typography>
    </Box>
  );
}
