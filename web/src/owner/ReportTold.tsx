import Typography from '@mui/material/Typography';
import { horseLine } from '../base/words/horse';
import { longDay } from '../base/words/days';
import { MonthTold } from './MonthTold';
import type { OwnersReport } from '../data/owner';

/** A report as it is read. */
export function ReportTold({ report }: { report: OwnersReport }) {
  const { horse, told } = report.told;
  return (
    <>
      <Typography variant="h1">
        {horse.name}, {report.month}
      </Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        {horseLine(horse)}. {report.barn}, written {longDay(told.month.written_on)}.
      </Typography>
      <MonthTold told={told} sections={report.sections} />
    </>
  );
}

/** What a file of it is called. */
export const fileName = ({ month, told }: OwnersReport, ending: string) =>
  `${told.horse.name} ${month}`.replace(/[^\p{L}\p{N}]+/gu, '-') + `.${ending}`;
