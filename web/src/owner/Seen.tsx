import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { FigureBand } from '../shell/FigureBand';
import { Section } from '../shell/Section';
import { horseLine } from '../base/words/horse';
import { capital } from '../base/words/plain';
import { longDay, saidDay } from '../base/words/days';
import { MonthTold } from './MonthTold';
import type { OwnersView } from '../data/owner';

interface Props {
  view: OwnersView;
  /** Where it is said how it judges. */
  helpPath: string;
  /** A report of the month as a link. */
  reportLink: (reportId: string, month: string) => ReactNode;
  children?: ReactNode;
}

/** A horse as its owner sees it. */
export function Seen({ view, helpPath, reportLink, children }: Props) {
  const { horse, told } = view;
  return (
    <>
      <Typography variant="h1">{horse.name}</Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        {horseLine(horse)}. At {view.barn}, {longDay(view.on)}.
      </Typography>
      {children}
      <ThisMonth view={view} />
      {view.notes.length > 0 && (
        <Section title="From the barn aisle">
          {view.notes.map(({ note_id, day, text }) => (
            <Typography key={note_id} sx={{ maxWidth: 720, mb: 1 }}>
              <strong>{capital(saidDay(day, view.on))}.</strong> {text}
            </Typography>
          ))}
        </Section>
      )}
      {view.reports.length > 0 && (
        <Section title="Reports">
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {view.reports.map(({ report_id, month }) => (
              <Box component="li" key={report_id} sx={{ py: 0.5 }}>
                {reportLink(report_id, month)}
              </Box>
            ))}
          </Box>
        </Section>
      )}
      <MonthTold told={told} sections={view.sections} />
      <Box
        component={Link}
        to={helpPath}
        sx={{
          color: 'text.primary',
          display: 'inline-block',
          mt: 4,
          py: 1,
          '@media print': { display: 'none' },
        }}
      >
        How it judges
      </Box>
    </>
  );
}

/** What the eye meets first: rides, levels held, the level that comes next. */
function ThisMonth({ view: { told } }: { view: OwnersView }) {
  const { ridden, moved, ahead } = told.month;
  const figures: [string, string][] = [
    [String(ridden.rides), ridden.rides === 1 ? 'ride this month' : 'rides this month'],
    [`${moved.held} of ${moved.levels}`, 'levels held'],
    [String(moved.gained.length), 'new this month'],
  ];
  return (
    <FigureBand figures={figures}>
      {ahead.next && (
        <Box sx={{ flex: '1 1 260px' }}>
          <Typography variant="h3" component="p">
            {ahead.next.name}
          </Typography>
          <Typography>comes next</Typography>
        </Box>
      )}
    </FigureBand>
  );
}
