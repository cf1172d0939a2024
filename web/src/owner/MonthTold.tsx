import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { Schemas } from '../base/api/client';
import { GatePicture, LadderPicture, RoadPicture, ThenAndNow } from './pictures';
import type { ReportSection, ToldMonth } from '../data/owner';

type Part = Schemas['ReportPart'];

/** The headings of a report's parts. */
export const partWords: Record<Part, string> = {
  trainer: 'From your trainer',
  rides: 'In the saddle',
  moved: 'What changed',
  worked: 'What we worked on',
  sides: 'Left and right',
  next: 'What comes next',
  road: 'The road to your dates',
  care: 'Care and load',
};

const pictures: Partial<Record<Part, (told: ToldMonth) => ReactNode>> = {
  moved: (told) => <LadderPicture told={told} />,
  worked: (told) => <ThenAndNow told={told} />,
  next: (told) => <GatePicture told={told} />,
  road: (told) => <RoadPicture told={told} />,
};

interface Props {
  told: ToldMonth;
  sections: ReportSection[];
}

/** A month, part by part: words first, then the picture they belong to. */
export function MonthTold({ told, sections }: Props) {
  return (
    <>
      {sections.map(({ part, text }) => (
        <Box component="section" key={part} aria-label={partWords[part]} sx={{ mt: 4 }}>
          <Typography variant="h2">{partWords[part]}</Typography>
          <Lines text={text} />
          {pictures[part]?.(told)}
        </Box>
      ))}
    </>
  );
}

/** A text line by line. */
export function Lines({ text }: { text: string }) {
  return text.split('\n').map((line, at) => (
    <Typography key={`${at} ${line}`} sx={{ maxWidth: 720, mt: 0.5, fontSize: '1.0625rem' }}>
      {line}
    </Typography>
  ));
}
