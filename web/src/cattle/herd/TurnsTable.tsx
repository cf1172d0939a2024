import Box from '@mui/material/Box';
import type { Schemas } from '../../base/api/client';
import { plainTable } from '../../shell/plainTable';
import { capital } from '../../base/words/plain';

/** The turns in figures, by tempo and side. */
export function TurnsTable({ cells }: { cells: Schemas['TurnCell'][] }) {
  if (cells.length === 0) return null;
  return (
    <Box role="region" aria-label="Turns in figures" tabIndex={0} sx={{ overflowX: 'auto' }}>
      <Box component="table" sx={{ ...plainTable, maxWidth: 720 }}>
        <thead>
          <tr>
            <th scope="col">Cow, side</th>
            <th scope="col">Good</th>
            <th scope="col">Shoulder leaked</th>
            <th scope="col">Head tossed</th>
            <th scope="col">Panicked</th>
            <th scope="col">Lost it</th>
          </tr>
        </thead>
        <tbody>
          {cells.map((cell) => (
            <tr key={`${cell.tempo} ${cell.side}`}>
              <th scope="row">
                {capital(cell.tempo)}, {cell.side}
              </th>
              <td>
                {cell.good} of {cell.turns}
              </td>
              <td>{cell.leaked || ''}</td>
              <td>{cell.tossed || ''}</td>
              <td>{cell.panicked || ''}</td>
              <td>{cell.lost || ''}</td>
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
