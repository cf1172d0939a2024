import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { plainTable } from '../../shell/plainTable';
import { capital } from '../../base/words/plain';
import { gaitWords } from '../../base/words/states';
import { groundInWords } from '../../base/words/ground';
import type { Track } from './track';

const clock = (seconds: number) =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

/** Circles one by one: when, which way, how wide, how round. */
export function CirclesTable({ circles }: { circles: Track['circles'] }) {
  if (circles.length === 0) return <Typography>None: the track never closes one.</Typography>;
  return (
    <Box sx={{ maxHeight: 420, overflowY: 'auto' }} tabIndex={0} role="group" aria-label="Circles">
      <Box component="table" sx={{ ...plainTable, maxWidth: 640 }}>
        <thead>
          <tr>
            <th scope="col">At</th>
            <th scope="col">Way</th>
            <th scope="col">Gait</th>
            <th scope="col">Across</th>
            <th scope="col">Off the round</th>
          </tr>
        </thead>
        <tbody>
          {circles.map(({ begins_s, side, gait, radius_ft, roundness }) => (
            <tr key={begins_s}>
              <td>{clock(begins_s)}</td>
              <td>{capital(side)}</td>
              <td>{gaitWords[gait]}</td>
              <td>{groundInWords(Math.round(2 * radius_ft))}</td>
              <td>{Math.round(100 * roundness)}%</td>
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
