import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { UseMutationResult } from '@tanstack/react-query';
import { useRef, useState, type ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { FormText } from './FormText';
import { saidOfAll } from './problems';
import { RowErrors } from './RowErrors';

interface Sent {
  text: string;
  add: boolean;
}

interface Props<R> {
  label: string;
  /** The text of the API whose bounds hold. */
  becomes: string;
  placeholder: string;
  rows: UseMutationResult<R, Error, Sent>;
  /** What the button says that adds what was read. */
  addWords: (found: R) => string;
  /** What was read. */
  shown: (found: R) => ReactNode;
  onAdded: () => void;
  onCancel?: () => void;
}

/** Rows of a sheet, pasted or from a CSV file: read first, added when all of them fit. */
export function RowsForm<R extends { errors: Schemas['RowError'][] }>(props: Props<R>) {
  const { rows, onCancel } = props;
  const [text, setText] = useState('');
  const file = useRef<HTMLInputElement>(null);
  // What was said is of another text as soon as it changes.
  const found = rows.variables?.text === text ? rows.data : undefined;
  const fits = found !== undefined && found.errors.length === 0;
  const send = (add: boolean) =>
    rows.mutate(
      { text, add },
      { onSuccess: ({ errors }) => add && errors.length === 0 && props.onAdded() },
    );
  return (
    <>
      <Box
        component="form"
        aria-label={props.label}
        onSubmit={(event) => {
          event.preventDefault();
          send(false);
        }}
        sx={{ display: 'grid', gap: 1.5, maxWidth: 720, mt: 2 }}
      >
        <FormText
          label="Rows"
          becomes={props.becomes}
          value={text}
          onText={setText}
          multiline
          minRows={6}
          maxRows={16}
          placeholder={props.placeholder}
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
            {fits ? props.addWords(found) : 'Add'}
          </Button>
          {onCancel && (
            <Button onClick={onCancel} sx={{ minHeight: 56 }}>
              Cancel
            </Button>
          )}
        </Box>
      </Box>
      {rows.error && (
        <Typography role="alert" sx={{ mt: 2, color: 'error.main' }}>
          {saidOfAll(rows.error, [])}
        </Typography>
      )}
      {found && (
        <Box role="status" sx={{ mt: 3, maxWidth: 720 }}>
          <RowErrors errors={found.errors} />
          {props.shown(found)}
        </Box>
      )}
    </>
  );
}
