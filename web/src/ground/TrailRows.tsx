import Box from '@mui/material/Box';
import type { Output } from '../base/core/core';
import { plainTable } from '../shell/plainTable';

/** Every published size, what was found, and where it is written. */
export function TrailRows({ said }: { said: Output<'trail-check'> }) {
  return (
    <Box component="table" sx={{ ...plainTable, mt: 1, width: '100%' }}>
      <caption style={{ textAlign: 'left', fontWeight: 700 }}>Sizes and spacing</caption>
      <thead>
        <tr>
          <th scope="col">Obstacle</th>
          <th scope="col">Asked</th>
          <th scope="col">Found</th>
          <th scope="col">Source</th>
        </tr>
      </thead>
      <tbody>
        {said.rows.map((row, index) => (
          <tr key={index}>
            <th scope="row">
              {row.obstacle + 1}. {said.grades[row.obstacle]?.name}
            </th>
            <td>{row.rule}</td>
            <Box component="td" sx={row.ok ? undefined : { color: 'error.main', fontWeight: 700 }}>
              {row.ok ? `✓ ${row.found}` : `✗ ${row.found}`}
            </Box>
            <Box component="td" sx={{ color: 'text.secondary' }}>
              {row.source}
            </Box>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}
