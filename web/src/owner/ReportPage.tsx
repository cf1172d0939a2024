import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { QueryState } from '../shell/QueryState';
import { PageFrame } from '../shell/PageFrame';
import { useWho } from '../data/who';
import {
  ownersPath,
  reportQuery,
  useSendReport,
  useTakeBackReport,
  type OwnersReport,
} from '../data/owner';
import { ReportForm } from './ReportForm';
import { ReportTools } from './ReportTools';
import { ReportTold } from './ReportTold';

/** The report of a month: read, edited by the trainer, sent, printed. */
export function ReportPage() {
  const { reportId = '' } = useParams();
  const report = useQuery(reportQuery(reportId));
  return (
    <PageFrame title="Report">
      <QueryState query={report}>
        {(data) => <Whole key={data.report_id} report={data} />}
      </QueryState>
    </PageFrame>
  );
}

function Whole({ report }: { report: OwnersReport }) {
  const { decides } = useWho();
  const [editing, setEditing] = useState(false);
  const send = useSendReport(report.report_id);
  if (editing) return <ReportForm report={report} onDone={() => setEditing(false)} />;
  const error = send.error;
  return (
    <>
      <Box
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          gap: 1,
          mb: 2,
          '@media print': { display: 'none' },
        }}
      >
        {decides && (
          <>
            <Button
              variant={report.sent_at ? 'outlined' : 'contained'}
              disabled={send.isPending}
              onClick={() => send.mutate(!report.sent_at)}
            >
              {report.sent_at ? 'Make it a draft again' : 'Send to the owner'}
            </Button>
            <Button onClick={() => setEditing(true)}>Edit the words</Button>
          </>
        )}
        <ReportTools report={report} />
        <Button component={Link} to={ownersPath(report.told.horse.horse_id)}>
          {report.told.horse.name}, for the owner
        </Button>
        {decides && <TakeBack report={report} />}
      </Box>
      {error && <Typography role="alert">{error.message}</Typography>}
      {decides && (
        <Typography role="status" sx={{ mb: 1, '@media print': { display: 'none' } }}>
          {report.sent_at
            ? 'Sent: the owner sees it when signed in, and by every link to this horse.'
            : 'A draft: nobody but trainers sees it.'}
        </Typography>
      )}
      <ReportTold report={report} />
    </>
  );
}

function TakeBack({ report }: { report: OwnersReport }) {
  const takeBack = useTakeBackReport(report.report_id);
  const navigate = useNavigate();
  return (
    <Button
      disabled={takeBack.isPending}
      onClick={() =>
        takeBack.mutate(undefined, {
          onSuccess: () => void navigate(ownersPath(report.told.horse.horse_id)),
        })
      }
    >
      Throw it away
    </Button>
  );
}
