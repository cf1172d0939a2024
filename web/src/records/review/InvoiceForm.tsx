import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import TextField from '@mui/material/TextField';
import { fieldsOf, saidOfAll } from '../../base/form/problems';
import { save } from '../../shell/save';
import { invoiceLines } from '../../data/review';

/** Lines for invoices, by the trainer's own rates. */
export function InvoiceForm({ month }: { month: string }) {
  const [rates, setRates] = useState({ day_rate: '', ride_rate: '' });
  const lines = useMutation({
    mutationFn: () => invoiceLines({ month, ...rates }),
    onSuccess: (file) => save(file, `invoice-lines-${month}.csv`),
  });
  const wrong = fieldsOf(lines.error);
  const fields: ['day_rate' | 'ride_rate', string][] = [
    ['day_rate', 'Dollars for a day here'],
    ['ride_rate', 'Dollars for a ride'],
  ];
  return (
    <Box
      component="form"
      noValidate
      aria-label="Invoice lines"
      onSubmit={(event) => {
        event.preventDefault();
        lines.mutate();
      }}
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, '@media print': { display: 'none' } }}
    >
      {fields.map(([field, label]) => (
        <TextField
          key={field}
          label={label}
          value={rates[field]}
          error={wrong[`/${field}`] !== undefined}
          helperText={wrong[`/${field}`] ?? 'Left empty: quantities only'}
          onChange={({ target }) => setRates({ ...rates, [field]: target.value })}
          slotProps={{ htmlInput: { inputMode: 'decimal', maxLength: 10 } }}
          sx={{ width: 230 }}
        />
      ))}
      <Button type="submit" disabled={lines.isPending} sx={{ height: 56 }}>
        Get the sheet
      </Button>
      <Typography role="alert" sx={{ width: '100%', '&:empty': { display: 'none' } }}>
        {saidOfAll(lines.error, ['/day_rate', '/ride_rate'])}
      </Typography>
    </Box>
  );
}
