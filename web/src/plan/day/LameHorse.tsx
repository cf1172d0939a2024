import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useAddCare } from '../../data/horseChanges';
import { useWho } from '../../data/who';
import { dayIn } from '../../base/words/days';

/** A lame horse is noted under care: nobody gets on until somebody has looked. */
export function LameHorse({ horseId }: { horseId: string }) {
  const { time_zone } = useWho();
  const note = useAddCare(horseId);
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography>
        Get the horse looked at by a vet or farrier before anybody gets on. Cavesson never
        diagnoses.
      </Typography>
      {note.isSuccess ? (
        <Typography role="status" sx={{ fontWeight: 700 }}>
          Noted under Care: off or uneven.
        </Typography>
      ) : (
        <Button
          disabled={note.isPending}
          onClick={() =>
            note.mutate({ kind: 'unlevel', day: dayIn(time_zone), text: 'Came up lame.' })
          }
          sx={{ mt: 1, minHeight: 52 }}
        >
          Note it: off or uneven
        </Button>
      )}
      {note.isError && (
        <Typography role="alert" sx={{ color: 'error.main' }}>
          {note.error.message}
        </Typography>
      )}
    </Box>
  );
}
