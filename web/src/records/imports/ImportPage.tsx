import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { calculateAnywhere } from '../../base/core/anywhere';
import { refusedWords } from '../../base/core/refused';
import { FormSelect } from '../../base/form/FormSelect';
import { PageFrame } from '../../shell/PageFrame';
import { PickFile } from '../../shell/PickFile';
import { Section } from '../../shell/Section';
import { BroughtBefore } from './BroughtBefore';
import { Columns } from './Columns';
import { sheetWords, type Sheet } from '../../data/imports';

/** The start of a file is enough to see its columns. */
const startBytes = 65_536;

const says: Record<Sheet, string> = {
  asks: 'One row an ask: day, horse, skill, rung, side, hand, seconds, answer.',
  rides: 'One row a ride: day, horse, who rode, minutes, how it was.',
  runs: 'One row a run: day, horse, seconds, barrels that fell.',
  herd: 'One row a cow: tag, lot, kind, weight.',
  horses: 'One row a horse: name, sex, year foaled, color.',
};

/** A sheet of another program or an old book, brought in. */
export function ImportPage() {
  const [sheet, setSheet] = useState<Sheet>('asks');
  const look = useMutation({
    mutationFn: async ({ file, as }: { file: File; as: Sheet }) => ({
      file,
      sheet: as,
      look: await calculateAnywhere('sheet-look', {
        sheet: as,
        bytes: [...new Uint8Array(await file.slice(0, startBytes).arrayBuffer())],
        whole: file.size <= startBytes,
      }),
    }),
  });
  const picked = look.variables?.file;
  return (
    <PageFrame title="Bring a sheet in">
      <Typography variant="h1">Bring a sheet in</Typography>
      <Typography sx={{ maxWidth: 680, mt: 0.5 }}>
        A CSV file from a spreadsheet, another program or your own old book. It is looked through
        row by row; all of it comes in, or nothing, and it can be taken back.
      </Typography>
      <Section title="The file">
        <div style={{ maxWidth: 480 }}>
          <FormSelect
            label="What is in it"
            value={sheet}
            of={(Object.keys(sheetWords) as Sheet[]).map((one) => [one, sheetWords[one]])}
            helperText={says[sheet]}
            onPick={(as) => {
              setSheet(as);
              if (picked) look.mutate({ file: picked, as });
            }}
          />
        </div>
        <PickFile
          label={picked ? 'Pick another file' : 'Pick the file'}
          accept=".csv,.tsv,.txt,text/csv,text/plain"
          disabled={look.isPending}
          onPick={(file) => look.mutate({ file, as: sheet })}
        />
        {picked && <Typography sx={{ mt: 0.5 }}>{picked.name}</Typography>}
        {look.isError && (
          <Typography role="alert" sx={{ mt: 1.5, color: 'error.main' }}>
            {refusedWords(look.error)}
          </Typography>
        )}
      </Section>
      {look.data && <Columns key={look.submittedAt} {...look.data} />}
      <BroughtBefore />
    </PageFrame>
  );
}
