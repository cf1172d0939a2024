import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { save } from '../shell/save';
import type { OwnersReport } from '../data/owner';
import { fileName } from './ReportTold';

/** On paper, or as a file. */
export function ReportTools({ report }: { report: OwnersReport }) {
  const file = useMutation({
    mutationFn: async () => {
      const { reportPdf } = await import('./pdf');
      save(await reportPdf(report), fileName(report, 'pdf'));
    },
  });
  return (
    <>
      <Button onClick={() => window.print()}>Print</Button>
      <Button disabled={file.isPending} onClick={() => file.mutate()}>
        {file.isPending ? 'Making the PDF' : 'PDF'}
      </Button>
      {file.isError && (
        <Typography role="alert">
          Couldn&apos;t make the PDF. It needs signal the first time; Print works without.
        </Typography>
      )}
    </>
  );
}
