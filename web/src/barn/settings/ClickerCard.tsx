import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { meaningsOf } from '../../ride/recorder/clicker/meanings';
import { ladderQuery } from '../../data/ladder';
import { faceOf, type Asked } from '../../ride/recorder/faces';
import { capital } from '../../base/words/plain';
import { measureNames } from '../../base/words/measures';

/** All that the presses say, kind by kind of ask, on one card. */
export function ClickerCard({ buttons }: { buttons: number }) {
  const ladder = useQuery(ladderQuery);
  const kinds = new Map<string, Asked>();
  for (const { level } of ladder.data?.levels ?? []) {
    const name = level.measure === 'give' && level.sides === 'both' ? 'give_both' : level.measure;
    if (!kinds.has(name)) kinds.set(name, level);
  }
  if (kinds.size === 0) return null;
  return (
    <>
      <Typography variant="h3" sx={{ mt: 3, mb: 1 }}>
        What a press says
      </Typography>
      <TableContainer>
        <Table size="small" aria-label="What a press says" sx={{ maxWidth: 900 }}>
          <TableHead>
            <TableRow>
              {['Ask', 'Hold', 'One press', 'Two presses', 'Three'].map((head) => (
                <TableCell key={head}>{head}</TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {[...kinds].map(([kind, level]) => {
              const face = faceOf(level);
              const settings = face.settings(level).map(({ id, usual }) => [id, usual] as const);
              const shown = { face, set: Object.fromEntries(settings), measure: level.measure };
              const { hold, short, double } = meaningsOf(shown, 'left');
              return (
                <TableRow key={kind}>
                  <TableCell component="th" scope="row" sx={{ fontWeight: 700 }}>
                    {measureNames[kind as keyof typeof measureNames]}
                  </TableCell>
                  {[hold?.does ?? '–', short.does, double.does, 'undo'].map((does, index) => (
                    <TableCell key={index}>{capital(does)}</TableCell>
                  ))}
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      </TableContainer>
      <Typography sx={{ mt: 1, maxWidth: 760 }}>
        {buttons === 2
          ? 'The first button is the left side, the second the right; where both sides are asked at once either will do.'
          : 'Which side is asked next stands on the screen, and is spoken where words are on.'}{' '}
        A hold that breaks off is asked about.
      </Typography>
    </>
  );
}
