import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient, type UseMutationResult } from '@tanstack/react-query';
import type { Schemas } from '../../base/api/client';
import { sendFile } from '../../base/api/sendFile';
import { plainTable } from '../../shell/plainTable';
import { Section } from '../../shell/Section';
import { Wrong } from '../Archive';
import { capital, count } from '../../base/words/plain';
import type { Read } from '../../data/imports';
import { columnInWords, readInWords } from './words';

interface Props {
  file: File;
  /** How it is read. */
  how: string;
  check: UseMutationResult<Read, Error, void>;
}

/** What was found in a file, and the way in. */
export function Checked({ file, how, check }: Props) {
  const queries = useQueryClient();
  const bring = useMutation({
    mutationFn: () => sendFile<Schemas['ImportMade']>(`/api/imports?${how}`, file, 'text/csv'),
    // What came in may show on any page.
    onSuccess: () => queries.invalidateQueries(),
  });
  if (check.isError) return <Wrong error={check.error} />;
  const read = bring.data?.read ?? check.data;
  if (!read) return null;
  if (read.wrong_rows > 0)
    return (
      <Section title="What doesn't fit">
        <Typography role="alert">
          {count(read.wrong_rows, 'row')} of {read.rows}{' '}
          {read.wrong_rows === 1 ? "doesn't" : "don't"} fit. Nothing was brought in. Match the
          columns otherwise, or mend the rows in your file and pick it again.
        </Typography>
        <Box component="table" sx={{ ...plainTable, mt: 1.5, maxWidth: 860 }}>
          <thead>
            <tr>
              <th scope="col">Line</th>
              <th scope="col">Column</th>
              <th scope="col">What is wrong</th>
            </tr>
          </thead>
          <tbody>
            {read.errors.map(({ line, column, detail }, at) => (
              <tr key={at}>
                <td>{line}</td>
                <td>{column ? columnInWords(column) : 'The row'}</td>
                <td>{capital(detail)}</td>
              </tr>
            ))}
          </tbody>
        </Box>
        {read.wrong_rows > read.errors.length && (
          <Typography sx={{ mt: 1 }}>The first {read.errors.length} are shown.</Typography>
        )}
      </Section>
    );
  if (bring.data)
    return (
      <Section title="It is in">
        <Typography role="status">{capital(readInWords(read))}.</Typography>
      </Section>
    );
  return (
    <Section title="What comes of it">
      <Typography role="status">
        {count(read.rows, 'row')}: {readInWords(read)}.
      </Typography>
      <Button
        variant="contained"
        disabled={bring.isPending}
        onClick={() => bring.mutate()}
        sx={{ mt: 1.5, minHeight: 56 }}
      >
        {bring.isPending ? 'Bringing it in' : 'Bring it in'}
      </Button>
      {bring.isError && <Wrong error={bring.error} />}
    </Section>
  );
}
