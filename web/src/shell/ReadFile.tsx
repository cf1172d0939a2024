import Typography from '@mui/material/Typography';
import { refusedWords } from '../base/core/refused';
import { PickFile } from './PickFile';

interface Props {
  label: string;
  /** Which files are offered first. */
  accept: string;
  /** How the core reads the file that was picked. */
  read: { isPending: boolean; error: Error | null; mutate: (file: File) => void };
}

/** A file of this device that the core reads in the page, and what it says of one it cannot. */
export function ReadFile({ label, accept, read }: Props) {
  return (
    <>
      <PickFile label={label} accept={accept} disabled={read.isPending} onPick={read.mutate} />
      {read.isPending && <Typography role="status">Reading it.</Typography>}
      {read.error && (
        <Typography role="alert" sx={{ mt: 1.5, color: 'error.main' }}>
          {refusedWords(read.error)}
        </Typography>
      )}
    </>
  );
}
