import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import { plainTable } from '../shell/plainTable';
import { sideWords } from '../base/words/answers';
import { groundInWords, tapeInWords } from '../base/words/ground';
import { count } from '../base/words/plain';
import type { Ridden } from './barrelDraft';

interface Props {
  ridden: Ridden;
  name?: string;
}

/** What a course comes to: lengths, strides, seconds, turns, and what is too near. */
export const BarrelFigures = memo(function BarrelFigures({ ridden, name }: Props) {
  const { room } = ridden;
  return (
    <Box component="section" aria-label={name ?? 'What it comes to'}>
      {name && (
        <Typography variant="h3" component="h2">
          {name}
        </Typography>
      )}
      <Typography sx={{ fontSize: '1.25rem', fontWeight: 700 }}>
        {groundInWords(ridden.length_ft)}, {count(Math.round(ridden.strides), 'stride')},{' '}
        {ridden.time_s.toFixed(1)} s
      </Typography>
      <Typography sx={{ color: 'text.secondary' }}>
        Tightest turn {tapeInWords(ridden.least_radius_ft)} from the middle of the barrel.
      </Typography>
      {room && (
        <Box component="ul" sx={{ pl: 2.5, my: 1 }} aria-label="Room">
          {room.says.length === 0 ? (
            <li>
              Room enough: {tapeInWords(Math.max(0, room.spare_ft))} to spare where it is tightest.
            </li>
          ) : (
            room.says.map((says) => (
              <Box component="li" key={says} sx={{ color: 'error.main', fontWeight: 700 }}>
                {says}
              </Box>
            ))
          )}
        </Box>
      )}
      <Box component="table" sx={{ ...plainTable, mt: 1, width: '100%' }}>
        <caption style={{ textAlign: 'left', fontWeight: 700 }}>Part by part</caption>
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col">Length</th>
            <th scope="col">Strides</th>
            <th scope="col">Seconds</th>
          </tr>
        </thead>
        <tbody>
          {ridden.parts.map((part, index) => (
            <tr key={index}>
              <td>{partName(part, ridden)}</td>
              <td>{tapeInWords(part.length_ft)}</td>
              <td>{part.strides.toFixed(1)}</td>
              <td>{part.time_s.toFixed(1)}</td>
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
});

function partName({ kind, barrel }: Ridden['parts'][number], ridden: Ridden): string {
  if (barrel === 0) return 'Home';
  if (kind === 'straight') return `To barrel ${barrel}`;
  const ridden_ = ridden.barrels[barrel - 1]!;
  return `Round ${barrel}: ${sideWords[ridden_.lead].toLowerCase()} lead, ${Math.round(ridden_.turn_deg)}°`;
}
