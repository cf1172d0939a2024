import Box from '@mui/material/Box';
import type { DrawnRep } from '../../draw/rein';
import { plainTable } from '../../shell/plainTable';
import { sideWords } from '../../base/words/answers';
import { measureInWords } from '../../base/words/measures';

/** The rein strip in words: every rep in the order of asking. */
export function RepTable({ reps, picked }: { reps: DrawnRep[]; picked: string | null }) {
  return (
    <Box component="table" sx={{ ...plainTable, mt: 2, fontVariantNumeric: 'tabular-nums' }}>
      <caption style={{ textAlign: 'left', fontWeight: 700 }}>Every ask in words</caption>
      <thead>
        <tr>
          <th scope="col">Side</th>
          <th scope="col">Answer</th>
          <th scope="col">Judged</th>
        </tr>
      </thead>
      <tbody>
        {reps.map((rep) => (
          <Box
            component="tr"
            key={rep.repId}
            aria-current={rep.repId === picked ? 'true' : undefined}
            sx={
              rep.repId === picked
                ? { outline: '3px solid', outlineColor: 'error.main' }
                : undefined
            }
          >
            <td>{sideWords[rep.side]}</td>
            <td>
              {measureInWords(rep.measure)}
              {rep.firstAsk && ' (first ask)'}
            </td>
            <td>{rep.soft === undefined ? 'not yet' : rep.soft ? 'soft' : 'not soft'}</td>
          </Box>
        ))}
      </tbody>
    </Box>
  );
}
