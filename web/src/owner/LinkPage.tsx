import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { Link, useLocation, useParams } from 'react-router';
import { ProblemError } from '../base/api/client';
import { NosebandMark } from '../draw/NosebandMark';
import { Waiting } from '../shell/Waiting';
import { capital } from '../base/words/plain';
import { linkReportQuery, linkViewQuery } from '../data/owner';
import { ReportTold } from './ReportTold';
import { ReportTools } from './ReportTools';
import { Seen } from './Seen';

/** What a secret link shows: one horse, or a report of it. The word stays behind the #. */
export function LinkPage() {
  const { hash } = useLocation();
  const [word] = useState(() => hash.slice(1));
  const { reportId } = useParams();
  return (
    <Box
      component="main"
      sx={{ px: { xs: 2, md: 4 }, py: { xs: 2, md: 3 }, maxWidth: 1000, mx: 'auto' }}
    >
      <title>Your horse · Cavesson</title>
      <Box sx={{ '@media print': { display: 'none' } }}>
        <NosebandMark size={44} />
      </Box>
      {reportId ? <Report word={word} reportId={reportId} /> : <Horse word={word} />}
    </Box>
  );
}

function Horse({ word }: { word: string }) {
  const view = useQuery(linkViewQuery(word));
  if (view.isPending) return <Waiting label="Opening" />;
  if (view.isError) return <Shut error={view.error} />;
  return (
    <Seen
      view={view.data}
      helpPath="/my-horse/how-it-judges"
      reportLink={(id, month) => (
        <Box
          component={Link}
          to={{ pathname: `/my-horse/reports/${id}`, hash: word }}
          sx={{ color: 'text.primary' }}
        >
          {month}
        </Box>
      )}
    />
  );
}

function Report({ word, reportId }: { word: string; reportId: string }) {
  const report = useQuery(linkReportQuery(word, reportId));
  if (report.isPending) return <Waiting label="Opening" />;
  if (report.isError) return <Shut error={report.error} />;
  return (
    <>
      <Box
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          gap: 1,
          my: 1.5,
          '@media print': { display: 'none' },
        }}
      >
        <ReportTools report={report.data} />
        <Box
          component={Link}
          to={{ pathname: '/my-horse', hash: word }}
          sx={{ color: 'text.primary', alignSelf: 'center', py: 1 }}
        >
          {report.data.told.horse.name} now
        </Box>
      </Box>
      <ReportTold report={report.data} />
    </>
  );
}

function Shut({ error }: { error: Error }): ReactNode {
  const gone = error instanceof ProblemError && error.status === 404;
  return (
    <>
      <Typography variant="h1" sx={{ mt: 2 }}>
        {gone ? "This link doesn't work any more" : "Couldn't open this link"}
      </Typography>
      <Typography sx={{ my: 2 }}>{capital(error.message)}</Typography>
    </>
  );
}
