import Box from '@mui/material/Box';
import type { Zone } from './hold';

const zones: [Zone, string, string][] = [
  ['late', 'Late', '1 / -1'],
  ['did_not_give', 'Did not give', '1 / -1'],
  ['evaded_up', 'Head up', 'auto'],
  ['evaded_out', 'Nose out', 'auto'],
  ['evaded_down', 'Rooted down', 'auto'],
  ['evaded_behind', 'Behind vertical', 'auto'],
];

/** Where a hold can be slid to: what the horse did instead of giving. */
export function AnswerZones({ zone }: { zone: Zone }) {
  return (
    <Box sx={{ flex: 1, display: 'grid', gridTemplateColumns: '1fr 1fr', gridAutoRows: '1fr' }}>
      {zones.map(([id, label, column]) => (
        <Box
          key={id}
          data-zone={id}
          sx={{
            gridColumn: column,
            display: 'grid',
            placeItems: 'center',
            textAlign: 'center',
            minHeight: 72,
            p: 0.5,
            fontSize: '1.1rem',
            fontWeight: 700,
            border: '1px solid',
            borderColor: 'text.primary',
            bgcolor: zone === id ? 'primary.main' : 'background.paper',
            color: zone === id ? 'primary.contrastText' : 'text.primary',
          }}
        >
          {label}
        </Box>
      ))}
    </Box>
  );
}
