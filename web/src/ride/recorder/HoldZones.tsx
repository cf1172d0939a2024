import Box from '@mui/material/Box';
import type { HoldZone } from './faces';
import type { Zone } from './hold';

/** Where a hold can be slid to: what the horse did instead. */
export function HoldZones({ zones, zone }: { zones: HoldZone[]; zone: Zone }) {
  return (
    <Box sx={{ flex: 1, display: 'grid', gridTemplateColumns: '1fr 1fr', gridAutoRows: '1fr' }}>
      {zones.map(({ id, label, wide }) => (
        <Box
          key={id}
          data-zone={id}
          sx={{
            gridColumn: wide ? '1 / -1' : 'auto',
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
