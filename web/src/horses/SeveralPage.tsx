import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Schemas } from '../api/client';
import { FormText } from '../form/FormText';
import { saidOfAll } from '../form/problems';
import { RowErrors } from '../form/RowErrors';
import { PageFrame } from '../frame/PageFrame';
import { plainTable } from '../frame/plainTable';
import { count } from '../words/plain';
import { useRows } from './queries';

/** Several horses at once: a CSV file, or rows pasted from a sheet. */
export function SeveralPage() {
  const navigate = useNavigate();
  const [text, setText] = useState('');
  const file = useRef<HTMLInputElement>(null);
  const rows = useRows();
  // What was said is of another text as soon as it changes.
  const found = rows.variables?.text === text ? rows.data : undefined;
  const fits = found !== undefined && found.errors.length === 0;
  const send = (add: boolean) =>
    rows.mutate(
      { text, add },
      {
        onSuccess: ({ errors }) => {
          if (add && errors.length === 0) void navigate('/horses');
        },
      },
    );
  return (
    <PageFrame title="Add several horses">
      <Typography variant="h1">Add several horses</Typography>
      <Typography sx={{ maxWidth: 640, mt: 0.5 }}>
        Paste the rows of a sheet, or open a CSV file. The first row names the columns: name, sex,
        foaled (or age), color, and if you like markings, note, owner, program.
      </Typography>
      <Box
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          send(false);
        }}
        sx={{ display: 'grid', gap: 1.5, maxWidth: 720, mt: 2 }}
      >
        <FormText
          label="Rows"
          becomes="NewHorseRows/text"
          value={text}
          onText={setText}
          multiline
          minRows={6}
          maxRows={16}
          placeholder={'name, sex, age, color\nWillow, mare, 4, grulla'}
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
            {fits ? `Add ${count(found.horses.length, 'horse')}` : 'Add'}
          </Button>
        </Box>
      </Box>
      {rows.error && (
        <Typography role="alert" sx={{ mt: 2, color: 'error.main' }}>
          {saidOfAll(rows.error, [])}
        </Typography>
      )}
      {found && <Found found={found} />}
    </PageFrame>
  );
}

function Found({ found }: { found: Schemas['HorseRows'] }) {
  const { horses, errors } = found;
  return (
    <Box role="status" sx={{ mt: 3, maxWidth: 720 }}>
      <RowErrors errors={errors} />
      {horses.length > 0 && (
        <>
          <Typography variant="h2">{count(horses.length, 'horse')} read</Typography>
          <Box component="table" sx={{ ...plainTable, mt: 1 }}>
            <thead>
              <tr>
                <th scope="col">Name</th>
                <th scope="col">Sex</th>
                <th scope="col">Foaled</th>
                <th scope="col">Color</th>
              </tr>
            </thead>
            <tbody>
              {horses.map((horse) => (
                <tr key={horse.name}>
                  <td>{horse.name}</td>
                  <td>{horse.sex}</td>
                  <td>{horse.foaled}</td>
                  <td>{horse.color}</td>
                </tr>
              ))}
            </tbody>
          </Box>
        </>
      )}
    </Box>
  );
}
