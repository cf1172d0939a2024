import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { sendFile } from '../../base/api/sendFile';
import type { Output } from '../../base/core/core';
import { FormSelect } from '../../base/form/FormSelect';
import { Section } from '../../shell/Section';
import { Checked } from './Checked';
import { cattleQuery } from '../../data/yard';
import type { Read, Sheet } from '../../data/imports';
import { columnInWords, lettersInWords } from './words';

type Look = Output<'sheet-look'>;

interface Props {
  file: File;
  sheet: Sheet;
  look: Look;
}

/** Which column of a file is which, and what comes of it. */
export function Columns({ file, sheet, look }: Props) {
  const [columns, setColumns] = useState(look.columns.map(({ seems }) => seems));
  const [heads, setHeads] = useState(look.heads);
  const [lotId, setLotId] = useState('');
  const lots = useQuery({ ...cattleQuery, enabled: sheet === 'herd' });
  const how = new URLSearchParams({
    sheet,
    columns: columns.join(','),
    heads: String(heads),
    name: file.name.slice(0, 200),
    ...(lotId && { lot_id: lotId }),
  });
  const check = useMutation({
    mutationFn: () => sendFile<Read>(`/api/imports/check?${how}`, file, 'text/csv'),
  });
  const match = (at: number, name: string) => {
    check.reset();
    setColumns((before) =>
      before.map((one, index) => (index === at ? name : one === name ? '' : one)),
    );
  };
  const missing = look.known.filter(
    ({ name, needed }) => needed && !columns.includes(name) && !isTold(name, columns),
  );
  const letters = lettersInWords[look.encoding];
  return (
    <>
      <Section
        title="Which column is which"
        intro="Found by their names where that was clear. Pick the others, or leave them out."
      >
        {letters && (
          <Typography role="note" sx={{ mb: 1 }}>
            {letters}
          </Typography>
        )}
        <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none', maxWidth: 860 }}>
          {look.columns.map((column, at) => (
            <Box
              component="li"
              key={at}
              sx={{
                display: 'grid',
                gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' },
                gap: { xs: 0.5, sm: 2 },
                py: 1.25,
                borderTop: '1px solid',
                borderColor: 'divider',
                alignItems: 'center',
              }}
            >
              <Box sx={{ minWidth: 0 }}>
                <Typography sx={{ fontWeight: 700, overflowWrap: 'anywhere' }}>
                  {column.head || `Column ${at + 1}`}
                </Typography>
                <Typography
                  variant="body2"
                  sx={{ color: 'text.secondary', overflowWrap: 'anywhere' }}
                >
                  {column.cells.filter(Boolean).join(' · ') || 'empty in the first rows'}
                </Typography>
              </Box>
              <OneColumn
                label={`${column.head || `Column ${at + 1}`} is`}
                value={columns[at] ?? ''}
                known={look.known}
                onPick={(name) => match(at, name)}
              />
            </Box>
          ))}
        </Box>
        {sheet === 'herd' && !columns.includes('lot') && (
          <Box sx={{ mt: 2, maxWidth: 480 }}>
            <FormSelect
              label="Their lot"
              value={lotId}
              of={[
                ['', 'Pick one'],
                ...(lots.data ?? [])
                  .filter(({ put_away_at }) => !put_away_at)
                  .map(({ lot_id, name }) => [lot_id, name] as const),
              ]}
              onPick={(one) => {
                check.reset();
                setLotId(one);
              }}
            />
          </Box>
        )}
        <FormControlLabel
          sx={{ mt: 1, minHeight: 48 }}
          control={
            <Checkbox
              checked={heads}
              onChange={(_, on) => {
                check.reset();
                setHeads(on);
              }}
            />
          }
          label="The first row names the columns"
        />
        {missing.length > 0 && (
          <Typography role="note" sx={{ mt: 0.5 }}>
            Still to match: {missing.map(({ name }) => columnInWords(name)).join(', ')}.
          </Typography>
        )}
        <Box>
          <Button
            variant={check.data ? 'outlined' : 'contained'}
            disabled={missing.length > 0 || check.isPending}
            onClick={() => check.mutate()}
            sx={{ mt: 1.5, minHeight: 56 }}
          >
            {check.isPending ? 'Looking it through' : 'Look it through'}
          </Button>
        </Box>
      </Section>
      <Checked file={file} how={how.toString()} check={check} />
    </>
  );
}

/** The moment something began says its day. */
const isTold = (name: string, columns: string[]) =>
  name === 'day' && (columns.includes('started_at') || columns.includes('asked_at'));

interface OneProps {
  label: string;
  value: string;
  known: Look['known'];
  onPick: (name: string) => void;
}

function OneColumn({ label, value, known, onPick }: OneProps) {
  const picked = known.find(({ name }) => name === value);
  return (
    <TextField
      select
      fullWidth
      label={label}
      value={value}
      helperText={picked?.says}
      onChange={({ target }) => onPick(target.value)}
      slotProps={{
        select: {
          displayEmpty: true,
          renderValue: () => (value ? columnInWords(value) : 'Left out'),
        },
        inputLabel: { shrink: true },
      }}
    >
      <MenuItem value="" sx={{ minHeight: 48 }}>
        Left out
      </MenuItem>
      {known.map(({ name, needed }) => (
        <MenuItem key={name} value={name} sx={{ minHeight: 48 }}>
          {columnInWords(name)}
          {needed && ', has to be there'}
        </MenuItem>
      ))}
    </TextField>
  );
}
