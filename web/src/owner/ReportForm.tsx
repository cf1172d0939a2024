import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { FormText } from '../base/form/FormText';
import { fieldsOf, saidOfAll } from '../base/form/problems';
import { partWords } from './MonthTold';
import { useChangeReport, type OwnersReport, type ReportSection } from '../data/owner';

const parts = Object.keys(partWords) as ReportSection['part'][];

/** The words of a report: every part can be changed, left out, or put back as it was written. */
export function ReportForm({ report, onDone }: { report: OwnersReport; onDone: () => void }) {
  const [texts, setTexts] = useState(() => textsOf(report.sections));
  const written = textsOf(report.told.sections);
  const change = useChangeReport(report.report_id);
  const sections = parts
    .filter((part) => texts[part]?.trim())
    .map((part) => ({ part, text: texts[part]!.trim() }));
  const wrong = fieldsOf(change.error);
  const wrongOf = (part: ReportSection['part']) =>
    wrong[`/sections/${sections.findIndex((one) => one.part === part)}/text`];
  return (
    <Box
      component="form"
      noValidate
      aria-label="The words of the report"
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate(sections, { onSuccess: onDone });
      }}
      sx={{ display: 'grid', gap: 2, maxWidth: 760 }}
    >
      <Typography variant="h1">
        {report.told.horse.name}, {report.month}
      </Typography>
      <Typography>
        The words are yours. The figures in them come from the rides; a part left empty is not in
        the report.
      </Typography>
      {parts.map((part) => (
        <Box key={part}>
          <FormText
            label={partWords[part]}
            becomes="ReportSection/text"
            multiline
            minRows={part === 'trainer' ? 3 : 1}
            value={texts[part] ?? ''}
            onText={(text) => setTexts({ ...texts, [part]: text })}
            wrong={wrongOf(part)}
          />
          {written[part] !== undefined && texts[part] !== written[part] && (
            <Button onClick={() => setTexts({ ...texts, [part]: written[part] })}>
              As it was written
            </Button>
          )}
        </Box>
      ))}
      <Typography role="alert" sx={{ color: 'error.main', '&:empty': { display: 'none' } }}>
        {saidOfAll(
          change.error,
          parts.map((_, at) => `/sections/${at}/text`),
        )}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1.5 }}>
        <Button
          type="submit"
          variant="contained"
          disabled={change.isPending}
          sx={{ minHeight: 56, minWidth: 150 }}
        >
          Save
        </Button>
        <Button onClick={onDone} sx={{ minHeight: 56 }}>
          Cancel
        </Button>
      </Box>
    </Box>
  );
}

const textsOf = (sections: ReportSection[]): Partial<Record<ReportSection['part'], string>> =>
  Object.fromEntries(sections.map(({ part, text }) => [part, text]));
