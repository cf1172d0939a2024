import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';

/** Says that a newer application waits for the end of a ride. */
export function NewerWaits({ onNow }: { onNow: () => void }) {
  return (
    <Snackbar
      open
      message="A newer Cavesson is ready. It comes in when the ride is finished."
      action={
        <Button color="inherit" onClick={onNow}>
          Now
        </Button>
      }
    />
  );
}
