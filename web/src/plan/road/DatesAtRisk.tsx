import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { datesAtRiskQuery, roadPath } from '../../data/road';

/** Dates at risk, once each, calmly: over all horses, or of one. */
export function DatesAtRisk({ horseId }: { horseId?: string }) {
  const dates = useQuery(datesAtRiskQuery);
  const shown = dates.data?.filter(({ horse_id }) => !horseId || horse_id === horseId) ?? [];
  if (shown.length === 0) return null;
  return (
    <Box component="section" aria-label="Dates at risk" sx={{ mt: horseId ? 2 : 5, maxWidth: 720 }}>
      {!horseId && <Typography variant="h2">Dates at risk</Typography>}
      {shown.map((date) => (
        <Typography key={date.horse_id} sx={{ py: 0.75 }}>
          {date.text}{' '}
          <Box
            component={Link}
            to={roadPath(date.horse_id)}
            sx={{ color: 'text.primary', fontWeight: 700, whiteSpace: 'nowrap' }}
          >
            {date.horse}&apos;s road
          </Box>
        </Typography>
      ))}
    </Box>
  );
}
