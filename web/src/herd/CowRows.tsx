import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { FormText } from '../form/FormText';
import { saidOfAll } from '../form/problems';
import { RowErrors } from '../form/RowErrors';
import { goesWords, handlingWords } from '../words/herd';
import { count } from '../words/plain';
import { useCowRows } from './queries';

/** Several cattle at once: a CSV file, or rows pasted from a sheet. */
export function CowRows({ lotId, onDone }: { lotId: string; onDone: () => void }) {
  const [text, setText] = useState('');
  const file = useRef<HTMLInputElement>(null);
  const rows = useCowRows(lotId);
  // What was said is of another text as soon as it changes.
  const found = rows.variables?.text === text ? rows.data : undefined;
  const fits = found !== undefined && found.errors.length === 0;
  const send = (add: boolean) =>
    rows.mutate(
      { text, add },
      { onSuccess: ({ errors }) => add && errors.length === 0 && onDone() },
    );
  return (
    <Box
      component="form"
      aria-label="Add several from a list"
      onSubmit={(event) => {
        event.preventDefault();
        send(false);
      }}
      sx={{ display: 'grid', gap: 1.5, maxWidth: 720, mt: 2 }}
    >
      <Typography>
        Paste the rows of a sheet, or open a CSV file. The first row names the columns: tag, and if
        you like kind, weight, came, tempo (slow, medium, quick), handling (well, wild), note.
      </Typography>
      <FormText
        label="Rows"
        becomes="NewCowRows/text"
        value={text}
        onText={setText}
        multiline
        minRows={5}
        maxRows={16}
        placeholder={'tag, tempo, handling\n214, slow, well'}
      />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
        <Button onClick={() => file.current?.click()} sx={{ minHeight: 56 }}>
          Open a CSV file
        </Button>
        <input
          ref={file}
          type="file"
          hidden
          accept=".csv,.tsv,.txt,text/csv"
          onChange={({ target }) => void target.files?.[0]?.text().then(setText)}
        />
        <Button type="submit" disabled={!text.trim() || rows.isPending} sx={{ minHeight: 56 }}>
          Read the rows
        </Button>
        <Button
          variant="contained"
          disabled={!fits || rows.isPending}
          onClick={() => send(true)}
          sx={{ minHeight: 56 }}
        >
          {fits ? `Add ${count(found.cattle.length, 'cow', 'cattle')}` : 'Add'}
        </Button>
        <Button onClick={onDone} sx={{ minHeight: 56 }}>
          Cancel
        </Button>
      </Box>
      <Typography role="alert" sx={{ color: 'error.main', '&:empty': { display: 'none' } }}>
        {saidOfAll(rows.error, [])}
      </Typography>
      {found && (
        <Box role="status">
          <RowErrors errors={found.errors} />
          {found.cattle.length > 0 && (
            <Typography sx={{ mt: 1 }}>
              {count(found.cattle.length, 'cow', 'cattle')} read:{' '}
              {found.cattle
                .map(
                  ({ tag, tempo, handling }) =>
                    `${tag} (${goesWords[tempo].toLowerCase()}${handling === 'wild' ? `, ${handlingWords.wild.toLowerCase()}` : ''})`,
                )
                .join(', ')}
            </Typography>
          )}
        </Box>
      )}
    </Box>
  );
}
