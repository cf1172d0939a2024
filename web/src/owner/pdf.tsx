import { ThemeProvider } from '@mui/material/styles';
import regular from '@fontsource/bitter/files/bitter-latin-400-normal.woff?url';
import bold from '@fontsource/bitter/files/bitter-latin-700-normal.woff?url';
import pdfMake from 'pdfmake/build/pdfmake.min.js';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { AsksDrawn } from '../draw/AsksDrawn';
import { FieldGate } from '../draw/FieldGate';
import { LadderDrawing } from '../draw/LadderRails';
import { drawn } from '../draw/rein';
import { RoadFence } from '../draw/RoadFence';
import { themeFor } from '../base/theme/theme';
import { horseLine } from '../base/words/horse';
import { longDay, shortDay } from '../base/words/days';
import { partWords } from './MonthTold';
import { forPaper } from './forPaper';
import { heldBehind, rungsOf } from './pictures';
import type { OwnersReport, ReportSection, ToldMonth } from '../data/owner';

/** Room between the margins of a letter page, in points. */
const room = 612 - 2 * 54;
const day = themeFor('day');
const { leather } = day.palette;

/** A report as a PDF, on letter paper, its pictures drawn as on the page. */
export function reportPdf(report: OwnersReport): Promise<Blob> {
  const address = (path: string) => new URL(path, location.origin).href;
  const face = { normal: address(regular), bold: address(bold) };
  pdfMake.addFonts({ Bitter: { ...face, italics: face.normal, bolditalics: face.bold } });
  return pdfMake.createPdf(documentOf(report)).getBlob();
}

function documentOf(report: OwnersReport): TDocumentDefinitions {
  const { horse, told } = report.told;
  const name = `${horse.name}, ${report.month}`;
  return {
    info: { title: name, author: report.barn, creator: 'Cavesson' },
    language: 'en-US',
    pageSize: 'LETTER',
    pageMargins: [54, 54, 54, 60],
    defaultStyle: { font: 'Bitter', fontSize: 11, lineHeight: 1.25, color: leather.ink },
    styles: {
      title: { fontSize: 22, bold: true },
      part: { fontSize: 15, bold: true, margin: [0, 18, 0, 3] },
      said: { fontSize: 9.5, color: leather.faded, margin: [0, 2, 0, 4] },
    },
    content: [
      { text: name, style: 'title' },
      {
        text: `${horseLine(horse)}. ${report.barn}, written ${longDay(told.month.written_on)}.`,
        color: leather.faded,
      },
      ...report.sections.map((section) => partOf(section, told)),
    ],
    footer: (page, pages) => ({
      text: `${name}, page ${page} of ${pages}`,
      alignment: 'center',
      fontSize: 9,
      color: leather.faded,
      margin: [0, 20, 0, 0],
    }),
  };
}

function partOf({ part, text }: ReportSection, told: ToldMonth): Content {
  const [first = '', ...rest] = text.split('\n');
  return [
    // A heading stays with the first words under it.
    { stack: [{ text: partWords[part], style: 'part' }, first], unbreakable: true },
    ...rest,
    ...(pictures[part]?.(told) ?? []),
  ];
}

const pictures: Partial<Record<ReportSection['part'], (told: ToldMonth) => Content[]>> = {
  moved: (told) => [
    {
      ...picture(
        <LadderDrawing
          levels={rungsOf(told)}
          tracks={told.tracks}
          picked={null}
          onPick={() => undefined}
          next={told.next}
          width={1080}
          all={false}
        />,
      ),
      margin: [0, 6, 0, 0],
    },
    { text: 'Filled rungs are held; the arrow is what comes next.', style: 'said' },
  ],
  worked: (told) => {
    const both = told.then_and_now;
    if (!both) return [];
    const half = room / 2 - 20;
    return [
      { text: `${both.level.name}: then and now`, bold: true, margin: [0, 6, 0, 2] },
      {
        columns: [both.then, both.now].map((strip) => ({
          stack: [
            shortDay(strip.day),
            picture(
              <AsksDrawn
                reps={strip.reps.map(drawn)}
                width={300}
                longestSoftS={both.level.longest_soft_s}
              />,
              Math.min(half, 200),
            ),
          ],
          width: half,
          unbreakable: true,
        })),
        columnGap: 20,
      },
      { text: said(both.level.measure), style: 'said' },
    ];
  },
  next: ({ gate }) =>
    gate
      ? [
          {
            ...picture(
              <FieldGate
                items={gate.check.items}
                open={gate.check.passes}
                firstAskDays={gate.first_ask_days}
                width={680}
              />,
              420,
            ),
            margin: [0, 6, 0, 0],
          },
          {
            text: 'Each rail is something to be shown; with every rail filled the gate stands open.',
            style: 'said',
          },
        ]
      : [],
  road: (told) =>
    told.road
      ? [
          picture(
            <RoadFence
              on={told.road.on}
              road={told.road.road.road}
              behind={heldBehind(told)}
              width={860}
            />,
          ),
          {
            text: 'Posts are levels that came to be held. The hatched plank runs from the day by which one future in ten is there to the day by which nine in ten are.',
            style: 'said',
          },
        ]
      : [],
};

const said = (measure: string) =>
  measure === 'give'
    ? 'Time runs down; left is left. The longer an answer took, the further its mark stands from the line; filled is soft.'
    : 'Each mark is an ask, in the order of asking.';

/** A picture of the page as one of the paper. */
function picture(drawn: ReactNode, width = room) {
  const markup = renderToStaticMarkup(<ThemeProvider theme={day}>{drawn}</ThemeProvider>);
  return { svg: forPaper(markup), width };
}
