import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Output } from '../base/core/core';
import { plainTable } from '../shell/plainTable';
import { tapeInWords } from '../base/words/ground';
import { capital, count } from '../base/words/plain';
import type { Ridden } from './barrelDraft';

type Sheet = Output<'setting-out'>;

const sx = { ...plainTable, width: '100%', mt: 0.5, '@media print': { fontSize: '9.5pt' } };

/** The sheet in figures: each point by two arcs or by the center line, and what to check. */
export function SheetTables({ sheet, ridden }: { sheet: Sheet; ridden: Ridden }) {
  const arcs = sheet.points.filter(({ by_arcs }) => by_arcs);
  return (
    <Box sx={{ '& h2': { mt: 2 }, '& h2:first-of-type': { mt: 0 } }}>
      {arcs.length > 0 && (
        <>
          <Typography variant="h2">From the posts</Typography>
          <Typography>
            Hook the tape to the first post and scratch an arc; then to the second. Where they
            cross, the barrel stands.
          </Typography>
          <Box component="table" sx={sx}>
            <thead>
              <tr>
                <th scope="col">What</th>
                <th scope="col">First arc</th>
                <th scope="col">Second arc</th>
                <th scope="col">Good to</th>
              </tr>
            </thead>
            <tbody>
              {arcs.map(({ name, by_arcs }) => (
                <tr key={name}>
                  <th scope="row">{capital(name)}</th>
                  {by_arcs!.from.map(({ mark, feet }) => (
                    <td key={mark}>
                      <strong>{tapeInWords(feet)}</strong> from {mark}
                    </td>
                  ))}
                  <td>{tapeInWords(by_arcs!.off_ft)}</td>
                </tr>
              ))}
            </tbody>
          </Box>
        </>
      )}
      {sheet.says.map((says) => (
        <Typography key={says} sx={{ mt: 1 }}>
          {says}
        </Typography>
      ))}
      <Typography variant="h2">From the center line</Typography>
      <Typography>Along it from the middle of the score line, then square out from it.</Typography>
      <Box component="table" sx={sx}>
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">Along</th>
            <th scope="col">Out</th>
          </tr>
        </thead>
        <tbody>
          {sheet.points.map(({ name, along_ft, out_ft }) => (
            <tr key={name}>
              <th scope="row">{capital(name)}</th>
              <td>{tapeInWords(along_ft)}</td>
              <td>{outInWords(out_ft)}</td>
            </tr>
          ))}
        </tbody>
      </Box>
      <Typography variant="h2">Check it</Typography>
      <Box component="table" sx={sx}>
        <thead>
          <tr>
            <th scope="col">Between</th>
            <th scope="col">Must be</th>
            <th scope="col">May be off by</th>
            <th scope="col">Found</th>
          </tr>
        </thead>
        <tbody>
          {sheet.checks.map(({ from, to, feet, off_ft }) => (
            <tr key={`${from} ${to}`}>
              <th scope="row">
                {capital(from)} and {to}
              </th>
              <td>{tapeInWords(feet)}</td>
              <td>{tapeInWords(off_ft)}</td>
              <td>____________</td>
            </tr>
          ))}
        </tbody>
      </Box>
      <Typography sx={{ mt: 2 }}>
        The way round is {tapeInWords(ridden.length_ft)},{' '}
        {count(Math.round(ridden.strides), 'stride')}. Walk the ground before the first run: look
        for holes, ruts and hard spots.
      </Typography>
    </Box>
  );
}

function outInWords(feet: number): string {
  if (Math.abs(feet) < 0.05) return 'on the line';
  return `${tapeInWords(Math.abs(feet))} to the ${feet > 0 ? 'right' : 'left'}`;
}
