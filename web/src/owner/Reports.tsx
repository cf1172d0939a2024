import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { FormSelect } from '../base/form/FormSelect';
import { capital } from '../base/words/plain';
import { useWho } from '../data/who';
import { dayIn, saidDay } from '../base/words/days';
import { monthsUntil } from './months';
import { reportPath, reportsQuery, useWriteReport } from '../data/owner';

/** The reports of a horse: write one, go on with a draft, look at what was sent. */
export function Reports({ horseId, on }: { horseId: string; on: string }) {
  const months = monthsUntil(on, 6);
  // A report is mostly written when its month is over.
  const [month, setMonth] = useState(months[Number(on.slice(8)) < 20 ? 1 : 0]![0]);
  const reports = useQuery(reportsQuery(horseId));
  const write = useWriteReport(horseId);
  const navigate = useNavigate();
  return (
    <Box>
      <Typography variant="h3" component="h2">
        Reports
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, mt: 1, alignItems: 'flex-start' }}>
        <FormSelect label="Month" value={month} of={months} onPick={setMonth} />
        <Button
          variant="contained"
          disabled={write.isPending}
          onClick={() =>
            write.mutate(month, {
              onSuccess: ({ report_id }) => void navigate(reportPath(report_id)),
            })
          }
          sx={{ minHeight: 56, minWidth: 100 }}
        >
          Write
        </Button>
      </Box>
      {write.isError && <Typography role="alert">{capital(write.error.message)}</Typography>}
      <Box
        component="ul"
        aria-label="Reports written"
        sx={{ listStyle: 'none', m: 0, p: 0, mt: 1 }}
      >
        {(reports.data ?? []).map((report) => (
          <Written key={report.report_id} report={report} on={on} />
        ))}
      </Box>
    </Box>
  );
}

interface WrittenProps {
  report: { report_id: string; month: string; written_at: string; sent_at?: string | null };
  on: string;
}

function Written({ report: { report_id, month, sent_at }, on }: WrittenProps) {
  const { time_zone } = useWho();
  return (
    <Box component="li" sx={{ py: 0.5 }}>
      <Box component={Link} to={reportPath(report_id)} sx={{ color: 'text.primary' }}>
        {month}
      </Box>
      , {sent_at ? `sent ${saidDay(dayIn(time_zone, new Date(sent_at)), on)}` : 'draft'}
    </Box>
  );
}
